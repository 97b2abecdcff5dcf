import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { createWriteStream, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Page } from 'playwright-core';
import PDFDocument from 'pdfkit';
import sharp from 'sharp';
import type { Job } from '@zippy/core';
import { useStudio, type Application } from './support.ts';

/** Faces made by hand: pictures, wordings, codes, names, drift and coloured card. */
describe('art', () => {
  const studio = useStudio();
  const { folder, open, own, press, serious } = studio;
  let application: Application;
  let page: Page;
  before(() => {
    ({ application, page } = studio);
  });

  const stored = async (title: string): Promise<Job> => {
    await page.getByText('Saved', { exact: true }).waitFor();
    return (await studio.stored(title)).document;
  };

  it('makes a face from a photograph and a wording, by pointer and by keys', async () => {
    await open('Night sail', 'art');
    await press('Inside right');
    const photograph = join(folder, 'quay.jpg');
    const field = { width: 2400, height: 1600, channels: 3 as const, background: '#f4e3c8' };
    writeFileSync(photograph, await sharp({ create: field }).jpeg().toBuffer());
    const chooser = page.waitForEvent('filechooser');
    await press('Place a picture …');
    await (await chooser).setFiles(photograph);
    await page.getByRole('button', { name: /^Picture quay\.jpg/ }).waitFor();
    await press('A wording …');
    await press('A plain thank you');
    const title = page.getByRole('button', { name: /^Words: Thank You\. Drag/ });
    await title.waitFor();
    await title.focus();
    for (let i = 0; i < 4; i += 1) await page.keyboard.press('ArrowDown');
    await press('Undo');
    await page.keyboard.press('Escape');
    const { faces } = (await stored('Night sail')).art;
    const face = Object.values(faces).find(({ texts }) => texts.some((t) => t.text === 'Thank You'))!;
    expect(face.picture).to.not.equal(null);
    expect(face.texts.map((t) => t.fit)).to.deep.equal(['shrink', 'shrink']);
  });

  /** Two pages, the second with a red field in its middle; locked when a password is given. */
  const pdf = async (name: string, userPassword?: string): Promise<string> => {
    const doc = new PDFDocument({ size: [200, 300], ...(userPassword ? { userPassword } : {}) });
    const parts: Buffer[] = [];
    doc.on('data', (part: Buffer) => parts.push(part));
    const ended = new Promise((done) => doc.on('end', done));
    doc.text('one');
    doc
      .addPage({ size: [200, 300] })
      .rect(50, 75, 100, 150)
      .fill('#c02020');
    doc.end();
    await ended;
    const path = join(folder, name);
    writeFileSync(path, Buffer.concat(parts));
    return path;
  };

  it('takes a chosen page of a PDF, cropped, and refuses a locked or broken one in a sentence', async () => {
    await open('Night sail', 'art');
    await press('Inside left');
    const choose = async (path: string): Promise<void> => {
      const chooser = page.waitForEvent('filechooser');
      await press('Place a picture …');
      await (await chooser).setFiles(path);
    };
    await choose(await pdf('locked.pdf', 'ebb'));
    await page.getByText(/locked\.pdf is locked with a password; save it without one/).waitFor();
    await page.keyboard.press('Escape');
    const broken = join(folder, 'broken.pdf');
    writeFileSync(broken, '%PDF-1.7\nnothing of the kind');
    await choose(broken);
    await page.getByText(/broken\.pdf is damaged or is no PDF/).waitFor();
    await page.keyboard.press('Escape');
    await choose(await pdf('chart.pdf'));
    await press('Page after');
    await page.getByText('Page 2 of 2', { exact: true }).waitFor();
    await page.getByRole('img', { name: 'Page 2' }).waitFor();
    expect(await serious()).to.deep.equal([]);
    const left = page.getByRole('slider', { name: 'Left: leave out' });
    await left.focus();
    for (let i = 0; i < 2; i += 1) await page.keyboard.press('PageUp');
    await press('Use this page');
    await page.getByRole('button', { name: /^Picture chart, page 2\.png/ }).waitFor();
    const { pictures } = await stored('Night sail');
    const ref = Object.values(pictures).find(({ name }) => name === 'chart, page 2.png')!;
    // 200 × 300 points at 300 to the inch are 833 × 1250, less what was left out on the left.
    expect(ref.heightPx).to.equal(1250);
    expect(ref.widthPx).to.be.within(600, 832);
  });

  it('snaps what is dragged to the middle of the face, and leaves it where Alt puts it', async () => {
    const card = await own('Stall contact card');
    await open(card, 'art');
    const words = page.getByRole('button', { name: /^Words: Saltmarsh Lane/ }).first();
    const handle = page.locator('[role=button][aria-label^="Words: Saltmarsh Lane. Drag"]');
    await handle.waitFor();
    const box = (await handle.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 5, box.y + box.height / 2 + 40, { steps: 6 });
    await page.mouse.up();
    await words.waitFor();
    const ink = async (): Promise<number> => {
      const { texts } = (await stored(card)).art.faces.front!;
      return texts.find((t) => t.id === 'name')!.leftMm;
    };
    // The block is 73 wide on 85 and its words are centred in it: six from the left is the middle, near enough.
    expect(await ink()).to.be.within(5.5, 6.5);
    await page.keyboard.press('Control+z');
    // It is taken hold of where it stands again, not on its way there.
    for (let tries = 0; tries < 100 && Math.abs((await handle.boundingBox())!.y - box.y) > 1; tries += 1)
      await page.waitForTimeout(50);
    // The same way with Alt held: five pixels to the right of where it stood, and nothing pulls it back.
    const again = (await handle.boundingBox())!;
    await page.keyboard.down('Alt');
    await page.mouse.move(again.x + again.width / 2, again.y + again.height / 2);
    await page.mouse.down();
    await page.mouse.move(again.x + again.width / 2 + 8, again.y + again.height / 2 + 40, { steps: 6 });
    await page.mouse.up();
    await page.keyboard.up('Alt');
    await studio.reaches(card, ({ art }) => {
      const { leftMm } = art.faces.front!.texts.find((t) => t.id === 'name')!;
      return leftMm >= 6.6 && leftMm <= 9;
    });
    await page.keyboard.press('Control+z');
    // A page left while it saves, with more to save, may ask which copy to keep; that is not what is tried here.
    await studio.reaches(card, ({ art }) => {
      const { leftMm } = art.faces.front!.texts.find((t) => t.id === 'name')!;
      return leftMm < 6.6;
    });
  });

  it('orders, locks and takes things off from the list, and copies a face', async () => {
    await open('Stall contact card', 'art');
    await press('Back');
    const list = page.getByRole('list', { name: 'On this face, front to back' });
    const names = (): Promise<readonly string[]> => list.locator('button.name').allInnerTexts();
    const before = await names();
    await press(`Code to scan: bring forward`);
    expect(await names()).to.deep.equal([...before].reverse());
    await press('Code to scan: lock');
    await page.getByRole('button', { name: 'Code to scan: let go' }).waitFor();
    expect(await page.getByRole('button', { name: 'Code to scan: take off' }).isDisabled()).to.equal(true);
    expect(await serious()).to.deep.equal([]);
    await press(/Copy or clear this face/);
    await press('To front');
    await press('Front');
    await page.getByRole('button', { name: 'Code to scan', exact: true }).waitFor();
    for (let i = 0; i < 3; i += 1) await press('Undo');
  });

  it('tries line spacing three side by side and keeps one', async () => {
    await open('Lantern Regatta supper', 'art');
    await page.getByRole('list', { name: 'On this face, front to back' }).getByText('Lantern Regatta').click();
    await press('Line spacing: three side by side');
    const dialog = page.getByRole('dialog', { name: 'Line spacing' });
    await dialog.locator('svg').nth(2).waitFor();
    expect(await serious()).to.deep.equal([]);
    const wanted = await dialog.getByRole('button').nth(2).innerText();
    await dialog.getByRole('button').nth(2).click();
    await page.getByRole('group', { name: 'Line spacing' }).getByText(wanted).first().waitFor();
    await press('Undo');
  });

  it('puts a code on a face that a reader reads from the written sheet', async () => {
    await open('Seal-pup notelets', 'art');
    await press('Back');
    await press('Code');
    await page.getByLabel('Address of the page').fill('https://saltmarsh.example/seals');
    await page.getByText(/One square is [\d.]+ mm/).waitFor();
    await stored('Seal-pup notelets');
    await page.getByText(/Read back from the face as it prints, at 300 and 150 dpi/).waitFor();
    const { id } = await studio.stored('Seal-pup notelets');
    const asked = (await (
      await fetch(`${application.url}/api/exports`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ jobId: id, what: 'face', format: 'png' }),
      })
    ).json()) as { id: string };
    for (let i = 0; i < 60; i += 1) {
      const state = (await (await fetch(`${application.url}/api/exports/${asked.id}`)).json()) as { state: string };
      if (state.state === 'done') break;
      await page.waitForTimeout(250);
    }
    let read = '';
    for (let n = 0; n < 6 && !read; n += 1) {
      const response = await fetch(`${application.url}/api/exports/${asked.id}/files/${n}`);
      if (!response.ok) continue;
      const path = join(folder, `face-${n}.png`);
      writeFileSync(path, Buffer.from(await response.arrayBuffer()));
      try {
        read = execFileSync('zbarimg', ['--quiet', '--raw', path], {
          encoding: 'utf8',
          stdio: ['ignore', 'pipe', 'ignore'],
        });
      } catch {
        // A face without a code.
      }
    }
    expect(read.trim()).to.equal('https://saltmarsh.example/seals');
  });

  it('shows the face beside where it lies on the blank and the folded card, and takes a picture whole', async () => {
    await open('Heron at dawn', 'art');
    await page.getByRole('img', { name: 'The open blank, outside up, with the front marked' }).waitFor();
    await press('Inside bottom');
    await page.getByRole('img', { name: /^The open blank, inside up, with the inside bottom marked$/ }).waitFor();
    await press('Front');
    await page.getByRole('radiogroup', { name: 'The picture' }).getByText('Is seen whole').click();
    const whole = await studio.reaches('Heron at dawn', ({ art }) => art.faces.front!.picture!.fit === 'whole');
    expect(whole.art.faces.front!.picture!.zoom).to.equal(1);
    const zoom = page.getByRole('slider', { name: 'Zoom' });
    await zoom.focus();
    for (let i = 0; i < 4; i += 1) await page.keyboard.press('ArrowRight');
    await page.getByText(/The picture on the front ends short of the bleed/).waitFor();
    await press('Fill the face with it');
    await studio.reaches('Heron at dawn', ({ art }) => art.faces.front!.picture!.fit === 'fill');
    await press('See it folded');
    await page.getByRole('button', { name: /^Folded/, pressed: true }).waitFor();
    await press(/^Folded/);
  });

  it('takes a list of names, shows every card, and refuses a broken one with its row', async () => {
    await open('Lighthouse thank-you', 'art');
    await press('Names from a list');
    const pasted = page.getByLabel('or paste it here');
    await pasted.fill('name,table\nWren,1\nTove\n');
    await press('Take the pasted list');
    await page.getByText(/^Row 3 has 1 cell and the headings are 2/).waitFor();
    expect(await pasted.inputValue()).to.include('Tove');
    await pasted.fill('name,table\nWren Halyard,1\nTove Samphire,2\nAsh Thrift,2\n');
    await press('Take the pasted list');
    await page.getByText(/No words ask for the list of 3 rows/).waitFor();
    await press('Add words');
    await page.getByLabel('Words', { exact: true }).fill('Dear {name}');
    await page.getByText('Card 1 of 3', { exact: true }).waitFor();
    await press('Card after');
    await page.getByText('Card 2 of 3', { exact: true }).waitFor();
    expect(await serious()).to.deep.equal([]);
    const job = await stored('Lighthouse thank-you');
    expect([job.brief.wanted, job.names!.rows.length]).to.deep.equal([3, 3]);
    const file = join(folder, 'more.csv');
    writeFileSync(file, Buffer.from('name;table\nRen\xe9e;4\n', 'latin1'));
    const chooser = page.waitForEvent('filechooser');
    await press('Another list …');
    await (await chooser).setFiles(file);
    await page.getByText(/old western encoding/).waitFor();
    await page.getByRole('cell', { name: 'Renée' }).waitFor();
  });

  it('takes a list from a spreadsheet and from an address book, by looking at what of it is the list', async () => {
    const title = await studio.own('Lighthouse thank-you');
    await open(title, 'art');
    await press('Names from a list');
    const from = async (file: string): Promise<void> => {
      const chooser = page.waitForEvent('filechooser');
      await page.getByRole('button', { name: /^(A list from a file|Another list) …$/ }).click();
      await (await chooser).setFiles(file);
    };
    await from(fileURLToPath(new URL('../core/test/stations/art/names/kept/guests.ods', import.meta.url)));
    const dialog = page.getByRole('dialog', { name: 'Which part of guests.ods is the list?' });
    await dialog.getByText(/^Name, Table, Evening, Fare, Coming, Notes: 3 rows, 3 cards/).waitFor();
    await dialog.getByRole('radio', { name: 'Row 1 names the columns' }).check();
    await dialog.getByText(/^Lantern Regatta supper: 4 rows/).waitFor();
    await dialog.getByRole('radio', { name: 'Row 3 names the columns' }).check();
    expect(await serious()).to.deep.equal([]);
    for (const column of ['Evening', 'Fare', 'Coming', 'Notes'])
      await dialog.getByRole('checkbox', { name: `Take the column ${column}` }).press('Space');
    await dialog.getByRole('checkbox', { name: 'Take row 4: Tove Wren' }).press('Space');
    await dialog.getByRole('button', { name: 'Take 2 rows' }).click();
    expect((await studio.reaches(title, ({ names }) => (names ?? null) !== null)).names).to.deep.include({
      columns: ['Name', 'Table'],
      rows: [
        ['Őry "Ebb" Holm', '12'],
        ['Marit; of the Quay', '007'],
      ],
    });
    const book = join(folder, 'people.vcf');
    const one = (name: string, town: string): string =>
      `BEGIN:VCARD\r\nVERSION:3.0\r\nFN:${name}\r\nN:;;;;\r\nTEL:+00 555 0101\r\nADR:;;1 Quay;${town};;;\r\nEND:VCARD\r\n`;
    writeFileSync(book, one('Tove Wren', 'Marrowby') + one('Ash Thrift', 'Farholm'));
    await from(book);
    await press('No rows');
    await page.getByText(/^The list has headings and no rows/).waitFor();
    await page.getByLabel('Find in it').fill('farh');
    expect(await page.getByRole('checkbox', { name: /^Take row/ }).count()).to.equal(1);
    await page.getByRole('checkbox', { name: 'Take row 3: Ash Thrift' }).press('Space');
    await press('Take 1 row');
    expect((await studio.reaches(title, ({ names }) => names!.columns.includes('town'))).names).to.deep.include({
      columns: ['name', 'street', 'town'],
      rows: [['Ash Thrift', '1 Quay', 'Farholm']],
    });
  });

  it('gives the card to a drawing program, and lays what comes back on the faces of its size', async () => {
    const title = await studio.own('Heron at dawn');
    await open(title, 'art');
    await press(/^Drawn elsewhere/);
    await page.getByText('As they are', { exact: true }).click();
    const download = page.waitForEvent('download');
    await press('↓ Every face, PNG in a zip');
    const zip = await studio.kept(await download, 'faces.zip');
    execFileSync('/usr/bin/python3', ['-m', 'zipfile', '-e', zip, join(folder, 'faces')]);
    // Another program gives it a colour of its own, and another name.
    const repainted = async (from: string, name: string, colour: string): Promise<string> => {
      const { width, height } = await sharp(join(folder, 'faces', from)).metadata();
      const file = join(folder, name);
      await sharp({ create: { width, height, channels: 3, background: colour } })
        .png()
        .toFile(file);
      return file;
    };
    const files = [
      await repainted('back.png', 'heron back v2.png', '#7b2869'),
      await repainted('front.png', 'front.png', '#0b7f86'),
      await repainted('front.png', 'odd.png', '#f2b01e').then(async (file) => {
        const small = join(folder, 'small.png');
        await sharp(file).resize(300, 300, { fit: 'fill' }).toFile(small);
        return small;
      }),
      // Twice as high as a tent’s face, which bleeds on three sides, is the open card, which bleeds on all.
      await repainted('front.png', 'face.png', '#36454f').then(async (file) => {
        const { width, height } = await sharp(file).metadata();
        const high = join(folder, 'open-inside.png');
        await sharp(file)
          .resize(width, 2 * height, { fit: 'fill' })
          .toFile(high);
        return high;
      }),
    ];
    const chooser = page.waitForEvent('filechooser');
    await press('Bring pictures back …');
    await (await chooser).setFiles(files);
    await page
      .getByText(
        /heron back v2\.png: on the back\. front\.png: on the front\. small\.png: 300 × 300 pixels are the shape of no face .*open-inside\.png: over all of the card’s inside\./,
      )
      .waitFor();
    const job = await studio.reaches(title, ({ art }) => Boolean(art.faces.back?.picture));
    const nameOn = (face: string) => job.pictures[job.art.faces[face]!.picture!.pictureId]!.name;
    expect([nameOn('front'), nameOn('back')]).to.deep.equal(['front.png', 'heron back v2.png']);
    const inside = Object.entries(job.art.faces).find(([, { picture }]) => picture?.across?.length)!;
    expect([inside[0].startsWith('inside'), nameOn(inside[0])]).to.deep.equal([true, 'open-inside.png']);
    expect(await serious()).to.deep.equal([]);
    await press('Undo');
    await studio.reaches(title, ({ art }) => !art.faces.back?.picture);
  });

  it('sets words in a typeface that is brought, in the sheets too, and stops when it is taken out', async () => {
    const title = await studio.own('Tide-table cascade');
    await open(title, 'art');
    await press('Add words');
    const seen = (): Promise<string> =>
      page
        .locator('main')
        .evaluate((main) => [...main.querySelectorAll('path')].map((path) => path.getAttribute('d')).join(' '));
    await page.getByRole('button', { name: /^Words: A few words\. Drag/ }).waitFor();
    const before = await seen();
    const choose = async (file: string): Promise<void> => {
      await press(/Typeface/);
      const chooser = page.waitForEvent('filechooser');
      await page.getByRole('option', { name: 'Bring a typeface …' }).click();
      await (await chooser).setFiles(file);
    };
    const note = join(folder, 'note.ttf');
    writeFileSync(note, 'a note');
    await choose(note);
    await page.getByText('note.ttf is no typeface; choose a file that ends in .ttf, .otf or .woff.').waitFor();
    await choose(fileURLToPath(new URL('../server/test/files/signal.otf', import.meta.url)));
    await page.getByText(/^Marrowby Signal Cut is among your typefaces\. .* is for you to look up\.$/).waitFor();
    const job = await studio.reaches(title, ({ typefaces }) => Boolean(typefaces));
    const [id] = Object.keys(job.typefaces!);
    expect(job.art.faces.front!.texts.at(-1)!.typefaceId).to.equal(id);
    // The same words, drawn in other letters.
    for (let looks = 0; looks < 50 && (await seen()) === before; looks += 1) await page.waitForTimeout(100);
    expect(await seen()).to.not.equal(before);
    expect(await serious()).to.deep.equal([]);
    await open(title, 'sheet');
    await press(/Sheets to print/);
    const link = page.getByRole('link', { name: /sheets\.pdf/ });
    const download = page.waitForEvent('download');
    await link.click();
    const path = await studio.kept(await download, 'signal.pdf');
    expect(execFileSync('pdffonts', [path]).toString()).to.match(/\+MarrowbySignalCut/);
    expect(execFileSync('pdftotext', [path, '-']).toString()).to.match(/A few\s+words/);
    await page.getByRole('link', { name: 'Workshop' }).click();
    await press('Take out Marrowby Signal Cut');
    const dialog = page.getByRole('dialog', { name: 'Take Marrowby Signal Cut out' });
    await dialog.getByText(new RegExp(`In use by ${title}`)).waitFor();
    expect(await serious()).to.deep.equal([]);
    await press('Take it out');
    await page.getByText('Marrowby Signal Cut is out of this studio.').waitFor();
    await open(title, 'art');
    await page.getByText('Marrowby Signal Cut is not in this studio').waitFor();
    await press('Set them in EB Garamond');
    await page.getByText('Marrowby Signal Cut is not in this studio').waitFor({ state: 'detached' });
  });

  it('goes through the sheets of a named job, every place with its own name', async () => {
    await open('Regatta place cards', 'sheet');
    // As many as the log’s spares ask for.
    const first = await page.getByText(/^Sheet 1 of \d+$/).innerText();
    await press('Sheet after');
    await page.getByText(first.replace('Sheet 1', 'Sheet 2'), { exact: true }).waitFor();
  });

  it('moves the blade by keys and by pointer, and cuts a thousand cards in a worker', async () => {
    await open('Regatta place cards', 'art');
    await page.keyboard.press('d');
    const blade = page.getByRole('slider', { name: /Where the blade came down/ });
    await blade.focus();
    for (let i = 0; i < 3; i += 1) await page.keyboard.press('Shift+ArrowRight');
    await page.getByText(/The blade came down 1\.5 mm right/).waitFor();
    await page.getByText(/the border uneven by 1\.5 mm on the left/).waitFor();
    await page.getByText(/% of a thousand cards/).waitFor();
    await page.getByRole('img', { name: /Share of cards with a fault/ }).waitFor();
    const box = (await blade.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 60, box.y + box.height / 2, { steps: 4 });
    await page.mouse.up();
    await page.getByText(/The blade came down [\d.]+ mm left/).waitFor();
    expect(await serious()).to.deep.equal([]);
    await press('Take the border off');
    await page.getByText('no border', { exact: true }).waitFor();
    await press('Undo');
    await press(/^Drift/);
  });

  it('says what vanishes on coloured card, and a printer with white takes it away in one press', async () => {
    await open('Night sail', 'stock');
    await press(/the Skua with white toner/);
    await page.getByRole('option', { name: /straight rear feed/ }).click();
    await page.keyboard.press('3');
    await page.getByText('2 colours vanish on navy card').waitFor();
    await page.getByRole('group', { name: 'Inks on this card' }).getByText('cannot be seen').first().waitFor();
    expect(await serious()).to.deep.equal([]);
    await press(/Print it on the Skua/);
    await page.getByText(/white goes under every colour/).waitFor();
    expect(await page.getByText('2 colours vanish on navy card').count()).to.equal(0);
  });

  it('puts one page of background over a mat and two faces in one step, and writes the mats’ sheets', async () => {
    const page1 = join(folder, 'waves.pdf');
    const doc = new PDFDocument({ size: 'A4', margin: 0 });
    const written = new Promise((done) => doc.pipe(createWriteStream(page1)).on('finish', done));
    doc.rect(0, 0, 595.28, 841.89).fill('#d6e6e4');
    doc.circle(150, 200, 60).fill('#f2b01e');
    doc.end();
    await written;
    await open('Heron at dawn', 'size');
    await press(/^Mats, writing panels/);
    await press('+ Mat');
    await studio.reaches('Heron at dawn', (job) => job.size.layers.length === 1);
    await open('Heron at dawn', 'art');
    await press('Panels …');
    const chooser = page.waitForEvent('filechooser');
    await press('Take a page in …');
    await (await chooser).setFiles(page1);
    await press('Use this page');
    const dialog = page.getByRole('dialog', { name: 'Panels from a page' });
    await dialog.getByRole('button', { name: /waves, page 1\.png/ }).waitFor();
    await dialog.getByText(/^One page gives \d+ of/).waitFor();
    // A4 is known by its shape; what is typed instead is kept.
    expect(await dialog.getByLabel('The page is this wide').inputValue()).to.equal('210 mm');
    await dialog.getByText(/^✓?Back/).click();
    await dialog.getByText(/^✓?Front/).click();
    await dialog.getByRole('img', { name: /with 3 parts marked on it/ }).waitFor();
    expect(await serious()).to.deep.equal([]);
    await press('Put it on 3 panels');
    const job = await studio.reaches('Heron at dawn', ({ size }) => Boolean(size.layers[0]?.picture));
    const placed = [job.size.layers[0]!.picture!, ...Object.values(job.art.faces).flatMap((f) => f.picture ?? [])];
    expect(new Set(placed.map(({ pictureId }) => pictureId)).size).to.equal(1);
    // Each its own part of the page.
    expect(new Set(placed.map((p) => `${p.focusX} ${p.focusY}`)).size).to.be.above(1);
    await press('Undo');
    await studio.reaches('Heron at dawn', ({ size }) => !size.layers[0]?.picture);
    await press('Do it again');
    await studio.reaches('Heron at dawn', ({ size }) => Boolean(size.layers[0]?.picture));
    await open('Heron at dawn', 'sheet');
    await press('Mat, front');
    await page.getByText(/^\d+ up, \d+ sheets? of/).waitFor();
    await press(/Sheets of printed panels/);
    const link = page.getByRole('link', { name: /panels\.pdf/ });
    const download = page.waitForEvent('download');
    await link.click();
    const path = await studio.kept(await download, 'panels.pdf');
    const said = execFileSync('pdfinfo', [path], { encoding: 'utf8' });
    expect(Number(/Pages:\s+(\d+)/.exec(said)![1])).to.be.above(1);
  });

  it('sets the studio’s mark on the back, and moves one from the front there', async () => {
    await open('Heron at dawn', 'art');
    await press('Maker’s mark');
    const made = await studio.reaches('Heron at dawn', (job) =>
      Boolean(job.art.faces.back?.texts.some(({ makersMark }) => makersMark)),
    );
    expect(made.art.faces.back!.texts.at(-1)!.text).to.equal('Saltmarsh Lane');
    await page.getByRole('button', { name: /^Words: Saltmarsh Lane\. Drag/ }).waitFor();
    await press('Front');
    await press('Add words');
    await page.getByLabel('Words in hand').getByText('Maker’s mark').click();
    await page.getByText('The maker’s mark is on the front').waitFor();
    await press('Move it to the back');
    const moved = await studio.reaches('Heron at dawn', ({ art }) =>
      art.faces.back!.texts.some(({ text }) => text === 'A few words'),
    );
    expect(moved.art.faces.front!.texts.some(({ makersMark }) => makersMark)).to.equal(false);
  });

  it('says where a colour asks for more ink than the card takes, and lightens it', async () => {
    await open('Regatta place cards', 'art');
    await page.getByLabel('Background', { exact: true }).first().waitFor();
    const had = await studio.stored('Regatta place cards');
    const response = await fetch(`${application.url}/api/jobs/${had.id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({
        version: had.version,
        document: {
          ...had.document,
          art: {
            faces: {
              ...had.document.art.faces,
              front: { ...had.document.art.faces.front, background: '#0b1f3a' },
            },
          },
        },
      }),
    });
    expect(response.status).to.equal(200);
    await open('Regatta place cards', 'art');
    await press(/The background of the front asks for 2\d\d % of ink/);
    await press(/^Lighten the background of the front to \d+ %/);
    await page.getByText(/The background of the front asks for 2\d\d % of ink/).waitFor({ state: 'detached' });
  });
});
