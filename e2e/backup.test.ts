import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import { useStudio } from './support.ts';

/** A backup as a maker makes it, and brings it back, in Workshop. */
describe('backup by press', () => {
  const studio = useStudio();
  const { stored } = studio;

  const bringBack = async (file: string): Promise<void> => {
    const { page, application } = studio;
    await page.goto(`${application.url}/workshop`);
    await page.locator('section[aria-labelledby=backup] input[type=file]').setInputFiles(file);
  };

  it('writes everything into one file, brings a lost job back beside the rest, and then the studio as it was', async () => {
    const { page, application } = studio;
    await page.goto(`${application.url}/workshop`);
    const coming = page.waitForEvent('download');
    await page.getByRole('link', { name: /Everything in one file/ }).click();
    const file = await studio.kept(await coming, 'studio.tar.gz');
    const names = execFileSync('tar', ['tzf', file]).toString().trim().split('\n');
    expect(names.filter((name) => name.startsWith('jobs/'))).to.have.length(13);

    const lost = await stored('Heron at dawn');
    await fetch(`${application.url}/api/jobs/${lost.id}`, { method: 'DELETE' });
    await bringBack(file);
    expect(await studio.serious()).to.deep.equal([]);
    await page.getByRole('button', { name: 'Add what is missing' }).click();
    await page.getByText('13 jobs are here already as in the backup.').waitFor();
    await page.getByRole('button', { name: 'To the jobs' }).click();
    await page.getByRole('link', { name: /^Heron at dawn:/ }).waitFor();

    const { id } = await stored('Night sail');
    const { version, document } = await stored('Night sail');
    await fetch(`${application.url}/api/jobs/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ version, document: { ...document, brief: { ...document.brief, title: 'Spoilt' } } }),
    });
    await bringBack(file);
    await page.getByText('In its place').click();
    await page.getByRole('button', { name: 'Put it in place of what is here' }).click();
    await page.getByText(/What was here before is in .*before-restore-/).waitFor();
    expect(await stored('Spoilt')).to.equal(undefined);
    expect((await stored('Night sail')).document).to.deep.equal(document);
  });

  it('says of another file why it is none, and leaves everything as it is', async () => {
    const other = join(studio.folder, 'holiday.tar.gz');
    writeFileSync(other, readFileSync(new URL('../package.json', import.meta.url)));
    await bringBack(other);
    await studio.page.getByRole('button', { name: 'Add what is missing' }).click();
    await studio.page
      .getByRole('alert')
      .filter({ hasText: /This file is no backup of a studio/ })
      .waitFor();
    await studio.press('Leave it');
    expect(await stored('Night sail')).to.not.equal(undefined);
  });
});
