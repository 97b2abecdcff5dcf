import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { decide, changeJob } from '@zippy/core';
import { exportFiles, EXPORTS, type ExportInput } from '../src/exports/index.ts';
import { demoInput } from './support.ts';

/** The same job on the same day is the same file, so that two of them can be told apart by what they print. */
describe('files of the same job and day', () => {
  const input = (file: string, date: string | null, title?: string): Promise<ExportInput> =>
    demoInput(`jobs/${file}`, {
      date,
      change: (job) => (title ? changeJob(job, [decide((job) => job.brief.title, title)]) : job),
    });
  const KINDS = Object.entries(EXPORTS).flatMap(([what, formats]) =>
    formats.map((format) => [what, format] as const),
  ) as readonly (readonly [Parameters<typeof exportFiles>[0], Parameters<typeof exportFiles>[1]])[];

  /** Every kind of file that the job gives, by a digest of its bytes. */
  async function digests(made: ExportInput): Promise<ReadonlyMap<string, string>> {
    const all = new Map<string, string>();
    for (const [what, format] of KINDS)
      try {
        for (const { name, bytes } of await exportFiles(what, format, made))
          all.set(`${what} ${name}`, createHash('sha256').update(bytes).digest('hex'));
      } catch (error) {
        // What the job has nothing of is refused in words.
        expect((error as Error).constructor.name).to.equal('ExportRefused');
      }
    return all;
  }

  for (const file of ['night-sail.json', 'heron-zigzag.json'])
    it(`${file}: every kind of file is the same bytes a second later`, async () => {
      const first = await digests(await input(file, '2026-12-04'));
      await new Promise((resolve) => setTimeout(resolve, 1100));
      const second = await digests(await input(file, '2026-12-04'));
      expect([...first.keys()].filter((name) => /\.pdf$/.test(name)).length).to.be.above(5);
      expect([...second]).to.deep.equal([...first]);
    });

  it('says the day it was asked for, none where none was, and names itself by what is in it', async () => {
    const factsOf = async (date: string | null, title?: string) => {
      const [pdf] = await exportFiles('ticket', 'pdf', await input('night-sail.json', date, title));
      const info = execFileSync('pdfinfo', ['-isodates', '-'], { input: pdf!.bytes, encoding: 'utf8' });
      const id = /\/ID \[<([0-9a-f]{32})> <\1>\]/.exec(pdf!.bytes.toString('latin1'))![1]!;
      return { made: /CreationDate:\s+(\S+)/.exec(info)?.[1] ?? null, id };
    };
    const dated = await factsOf('2026-12-04');
    expect(dated.made).to.match(/^2026-12-04T00:00:00/);
    expect((await factsOf(null)).made).to.equal(null);
    expect((await factsOf('2026-12-04', 'Night sail, again')).id).to.not.equal(dated.id);
  });
});
