import express, { type Request, type RequestHandler } from 'express';
import { cutText } from '@zippy/core';

/** What is sent beside a file itself. */
const SPARE_BYTES = 1024;

/** Takes a file as it is, up to a little more than the most, so that whoever reads it says how large it may be. */
export const fileBody = (mostBytes: number): RequestHandler =>
  express.raw({ type: () => true, limit: mostBytes + SPARE_BYTES });

/** A file that a maker brings: what it is called, and what is in it. */
export function broughtFile(request: Request, otherwise: string): { readonly name: string; readonly bytes: Buffer } {
  const { name } = request.query;
  return {
    name: cutText(typeof name === 'string' ? name.replaceAll('\0', '').toWellFormed() : '', 200) || otherwise,
    bytes: Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0),
  };
}
