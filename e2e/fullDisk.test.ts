import { execFileSync, spawnSync } from 'node:child_process';
import { closeSync, mkdtempSync, openSync, readdirSync, rmSync, rmdirSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { expect } from 'chai';
import type { Browser } from 'playwright-core';
import { Started } from './started.ts';
import { HOME_STUDIO_ID } from '@zippy/core/contract';
import { freePort, openBrowser, openPage, type StoredJob } from './support.ts';

/** A disk so small that it fills up: memory that is mounted as one, which only root may do. */
const SIZE_MB = 560;

describe('a full disk', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-disk-'));
  const ballast = join(folder, 'ballast');
  let started: Started | null = null;
  let browser: Browser | null = null;
  let mounted = false;
  let base: string;

  before(function () {
    mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${SIZE_MB}m`, 'tmpfs', folder]).status === 0;
    // Elsewhere the same is held by what the server answers to PostgreSQL’s own code for it.
    if (!mounted) return this.skip();
  });
  beforeEach(async () => {
    const port = await freePort();
    base = `http://127.0.0.1:${port}`;
    started = new Started(folder, port);
    await started.says(/Ctrl-C stops it/);
    await fetch(`${base}/api/studios/${HOME_STUDIO_ID}/enter`, { method: 'POST' });
  });
  afterEach(async () => {
    rmSync(ballast, { force: true });
    started?.process.kill('SIGTERM');
    await started?.ended();
    started = null;
  });
  after(async () => {
    await browser?.close();
    if (mounted) execFileSync('umount', [folder]);
    rmdirSync(folder);
  });

  /** To the last block. */
  function fill(): void {
    const file = openSync(ballast, 'w');
    for (const step of [1 << 20, 4096])
      try {
        for (;;) writeSync(file, Buffer.alloc(step));
      } catch (problem) {
        expect((problem as NodeJS.ErrnoException).code).to.equal('ENOSPC');
      }
    closeSync(file);
  }
  /** Asked again while the studio says that it cannot be read: on a busy machine a start is followed by a moment of that. */
  const aJob = async (): Promise<StoredJob> => {
    let response = await fetch(`${base}/api/jobs`);
    for (let tries = 0; !response.ok && tries < 100; tries += 1) {
      await pause(100);
      response = await fetch(`${base}/api/jobs`);
    }
    const { jobs } = (await response.json()) as { jobs: StoredJob[] };
    return jobs.find(({ document }) => document.brief.title === 'Heron at dawn')!;
  };
  /** @returns the status, and the sentence where it was refused */
  const save = async (notes: string): Promise<readonly [number, string]> => {
    const { id, version, document } = await aJob();
    const response = await fetch(`${base}/api/jobs/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ version, document: { ...document, brief: { ...document.brief, notes } } }),
    });
    return [response.status, ((await response.json()) as { message?: string }).message ?? ''];
  };

  it('is named, what was saved stays saved, what is typed is kept, and all goes on once there is room', async () => {
    const faults: string[] = [];
    browser = await openBrowser();
    const page = await openPage(browser, faults);
    const { id } = await aJob();
    await page.goto(`${base}/jobs/${id}/brief`);
    await page.getByRole('textbox', { name: 'Notes' }).waitFor();

    fill();
    let saved = '';
    let refused: readonly [number, string] | null = null;
    for (let i = 0; i < 400 && !refused; i += 1) {
      const answer = await save(`line ${i}: ${'ebb and flow '.repeat(100)}`);
      if (answer[0] === 200) saved = `line ${i}: `;
      else refused = answer;
    }
    expect(refused![0]).to.equal(507);
    expect(refused![1]).to.match(/^The disk that the studio’s data lies on is full; free some/);
    // Nothing half of it: the last that was said to be saved is what there is.
    expect((await aJob()).document.brief.notes.startsWith(saved)).to.equal(true);

    await page.getByRole('textbox', { name: 'Good cards wanted' }).fill('123');
    await page.getByRole('textbox', { name: 'Good cards wanted' }).press('Enter');
    await page
      .getByRole('status')
      .filter({ hasText: /disk that the studio’s data lies on is full/ })
      .waitFor();

    const backup = await fetch(`${base}/api/backups/restore?mode=beside`, {
      method: 'POST',
      body: 'x'.repeat(100_000),
    });
    expect(backup.status).to.equal(507);
    expect(readdirSync(join(folder, 'backups')).filter((name) => name.endsWith('.part'))).to.deep.equal([]);

    rmSync(ballast);
    for (let tries = 0; tries < 450 && (await aJob()).document.brief.wanted !== 123; tries += 1) await pause(100);
    const { brief } = (await aJob()).document;
    expect(brief.wanted).to.equal(123);
    expect(brief.notes.startsWith(saved)).to.equal(true);
    expect(started!.process.exitCode).to.equal(null);
    expect(faults).to.deep.equal([]);
  });

  it('is told before it starts, with the folder and what is needed', async () => {
    started!.process.kill('SIGTERM');
    await started!.ended();
    fill();
    started = new Started(folder, await freePort());
    expect(await started.ended()).to.equal(1);
    expect(started.said).to.match(
      new RegExp(`${folder} has \\d+ MB left on its disk and the studio needs 300 MB: free some, then start again\\.`),
    );
    rmSync(ballast);
  });
});
