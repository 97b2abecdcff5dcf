import { request } from 'node:http';
import { expect } from 'chai';
import { STATIONS } from '@zippy/core';
import { useStudio } from './support.ts';

/** What travels before something is seen, counted as a browser takes it: in the smallest form that is offered. */
describe('the first load', () => {
  const studio = useStudio();

  const get = (
    path: string,
    accept: string,
  ): Promise<{ bytes: Buffer; link: string; encoding: string; cache: string }> =>
    new Promise((done, failed) => {
      const headers = { Accept: accept, 'Accept-Encoding': 'gzip, deflate, br' };
      request(`${studio.application.url}${path}`, { headers }, (response) => {
        const pieces: Buffer[] = [];
        response.on('data', (piece: Buffer) => pieces.push(piece));
        response.on('end', () => {
          expect(response.statusCode, path).to.equal(200);
          const { link, 'content-encoding': encoding, 'cache-control': cache } = response.headers;
          done({
            bytes: Buffer.concat(pieces),
            link: String(link ?? ''),
            encoding: encoding ?? '',
            cache: cache ?? '',
          });
        });
        response.on('error', failed);
      }).end();
    });
  const asset = async (path: string): Promise<number> => {
    const { bytes, encoding, cache } = await get(path, '*/*');
    if (bytes.length > 1024) expect(encoding, path).to.equal('br');
    expect(cache).to.match(/immutable/);
    return bytes.length;
  };
  /** Scripts that the page itself names, and those that its answer names beside. */
  async function scriptsOf(path: string): Promise<{ first: readonly string[]; beside: readonly string[] }> {
    const { link } = await get(path, 'text/html');
    const body = await (await fetch(`${studio.application.url}${path}`)).text();
    return {
      first: [...body.matchAll(/(?:src|href)="(\/assets\/[^"]+\.js)"/g)].map((found) => found[1]!),
      beside: [...link.matchAll(/<([^>]+)>; rel="modulepreload"/g)].map((found) => found[1]!),
    };
  }
  const sum = async (paths: readonly string[]): Promise<number> =>
    (await Promise.all(paths.map(asset))).reduce((all, size) => all + size, 0);

  it('of a job, with its planner, is under 330 kB at every station, and the answer names all of it', async () => {
    for (const station of STATIONS) {
      const { first, beside } = await scriptsOf(`/jobs/any/${station}`);
      const page = beside.find((file) => file.includes('JobPage'));
      expect(page, station).to.be.a('string');
      const sources = await Promise.all(
        [...first, ...beside].map((path) => fetch(`${studio.application.url}${path}`).then((answer) => answer.text())),
      );
      const planner = sources.map((text) => /plan\.worker-[\w-]+\.js/.exec(text)?.[0]).find((found) => found);
      expect(planner, station).to.be.a('string');
      expect(await sum([...first, ...beside, `/assets/${planner}`]), station).to.be.below(330_000);
    }
  });

  it('asks for a job’s own scripts together with the first one', async () => {
    const { page, application } = studio;
    const order: string[] = [];
    page.on('request', (one) => order.push(`asks ${new URL(one.url()).pathname}`));
    page.on('requestfinished', (one) => order.push(`has ${new URL(one.url()).pathname}`));
    const { id } = await studio.stored('Heron at dawn');
    await page.goto(`${application.url}/jobs/${id}/cut`);
    await page.locator('aside h2').first().waitFor();
    const at = (pattern: RegExp): number => order.findIndex((line) => pattern.test(line));
    expect(at(/^asks .*\/JobPage-/)).to.be.above(-1);
    expect(at(/^asks .*\/JobPage-/)).to.be.below(at(/^has .*\/index-[^/]*\.js/));
    expect(at(/^asks .*\/Cut-/)).to.be.below(at(/^has .*\/index-[^/]*\.js/));
  });
});
