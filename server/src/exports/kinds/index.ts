import type { ExportFormat, ExportWhat } from '@zippy/core/contract';
import type { Exporter } from '../types.ts';
import { cut } from './cut.ts';
import { envelope } from './envelope.ts';
import { face } from './face.ts';
import { guides } from './guides.ts';
import { panels } from './panels.ts';
import { printedEnvelopes } from './printedEnvelopes.ts';
import { press } from './press.ts';
import { proof } from './proof.ts';
import { sheets } from './sheets.ts';
import { side } from './side.ts';
import { template } from './template.ts';
import { ticket } from './ticket.ts';

/** What can be written of a job: one file each, named in the contract with its formats. */
export const KINDS: { readonly [What in ExportWhat]: Exporter<ExportFormat<What>> } = {
  ...{ sheets, panels, cut, envelope, printedEnvelopes, ticket, face, side, press, template, guides, proof },
};
