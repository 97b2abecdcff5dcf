import { decide, type Held } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { sayMoney } from '../../../src/ground/money.ts';
import { checkJob, checkWorkshop, readJobFile } from '../../../src/files/read/readJobFile.ts';
import { newJob } from '../../../src/job/newJob.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { workshop } from '../../support.ts';

const least = { format: 'zippy-crease-job', version: 1, brief: { title: 'Ebb' } };
const whyOf = (value: unknown): string => {
  const read = readJobFile(value, workshop);
  return read.ok ? '' : read.why;
};

describe('readJobFile', () => {
  it('fills in everything that is left out', () => {
    const read = readJobFile(least, workshop);
    expect(read.ok && read.value.job).to.deep.equal(newJob('Ebb', workshop));
  });
  it('reads lengths as makers write them', () => {
    const read = readJobFile(
      { ...least, size: { finishedWidthMm: '4 1/4 in', finishedHeightMm: '8.5in/2 - 3mm' } },
      workshop,
    );
    expect(read.ok && read.value.job.size.finishedWidthMm).to.be.closeTo(107.95, 1e-9);
    expect(read.ok && read.value.job.size.finishedHeightMm).to.be.closeTo(104.95, 1e-9);
  });
  const wrong: readonly (readonly [string, unknown, RegExp])[] = [
    ['no title', { ...least, brief: {} }, /^brief\.title is missing; add it\.$/],
    ['an unknown field', { ...least, size: { widht: 3 } }, /^size\.widht is not a field here/],
    [
      'a length too long',
      { ...least, size: { finishedWidthMm: '2 m' } },
      /^size\.finishedWidthMm wants between 30 mm and 900 mm, got 2000 mm\.$/,
    ],
    ['words for a length', { ...least, size: { bleedMm: 'some' } }, /^size\.bleedMm cannot be read: “some”/],
    [
      'a format we do not fold',
      { ...least, size: { format: 'swan' } },
      /^size\.format wants one of flat, sideFold, tentFold/,
    ],
    [
      'a face that no format has',
      { ...least, art: { faces: { fornt: {} } } },
      /^art\.faces\.fornt is not a field here/,
    ],
    [
      'a typeface that does not ship',
      { ...least, art: { faces: { front: { texts: [{ id: 'a', text: 'x', typefaceId: 'silk' }] } } } },
      /^art\.faces\.front\.texts\.0\.typefaceId wants one of fraunces-600.* whose names begin with own-/,
    ],
    ['half a card', { ...least, brief: { title: 'x', wanted: 0.5 } }, /^brief\.wanted wants a whole number/],
    [
      'a kind of envelope we do not know',
      { ...least, brief: { title: 'x', envelope: { kind: 'silk' } } },
      /^brief\.envelope\.kind wants one of none, shelf, typed/,
    ],
    [
      'a picture on a mat that is not listed',
      {
        ...least,
        size: {
          layers: [
            {
              ...{ id: 'mat1', kind: 'mat', faces: ['front'], revealMm: 3, stockIds: ['shell-300-a4'] },
              picture: { pictureId: 'waves' },
            },
          ],
        },
      },
      /^size\.layers\.0\.picture\.pictureId names “waves”/,
    ],
    [
      'a picture that is not listed',
      { ...least, art: { faces: { front: { picture: { pictureId: 'boat' } } } } },
      /^art\.faces\.front\.picture\.pictureId names “boat”/,
    ],
    [
      'a picture of an object that is not listed',
      {
        ...least,
        art: {
          faces: {
            front: {
              objects: [
                {
                  kind: 'picture',
                  id: 'p',
                  leftMm: 1,
                  topMm: 1,
                  widthMm: 9,
                  heightMm: 9,
                  picture: { pictureId: 'boat' },
                },
              ],
            },
          },
        },
      },
      /^art\.faces\.front\.objects\.0\.picture\.pictureId names “boat”/,
    ],
    [
      'a list of names with a ragged row',
      { ...least, names: { columns: ['name', 'table'], rows: [['Wren', '1'], ['Tove']] } },
      /^names row 2 wants 2 cells, got 1/,
    ],
    [
      'a code of a kind we do not write',
      {
        ...least,
        art: {
          faces: {
            front: {
              objects: [
                {
                  ...{ kind: 'code', id: 'c', leftMm: 1, topMm: 1, widthMm: 9, heightMm: 9 },
                  ...{ content: { kind: 'smoke' }, colour: '#000000', ground: null },
                },
              ],
            },
          },
        },
      },
      /^art\.faces\.front\.objects\.0\.content\.kind wants one of link, text, wifi, contact/,
    ],
    ['a list where an object belongs', { ...least, brief: [] }, /^brief wants an object/],
    ['nothing at all', null, /the job file/],
  ];
  for (const [name, value, why] of wrong) it(`names the field for ${name}`, () => expect(whyOf(value)).to.match(why));

  it('keeps a list of names, and the art that every demo job is made of', () => {
    const names = { columns: ['name'], rows: [['Wren'], ['Tove']] };
    const read = readJobFile({ ...least, names }, workshop);
    expect(read.ok && read.value.job.names).to.deep.equal(names);
    const file = JSON.parse(
      readFileSync(new URL('../../../../demo/jobs/regatta-place-cards.json', import.meta.url), 'utf8'),
    ) as { art: { faces: { front: { objects: unknown } } } };
    const place = readJobFile(file, workshop);
    expect(place.ok && place.value.job.art.faces.front!.objects).to.deep.equal(file.art.faces.front.objects);
    expect(place.ok && checkJob(place.value.job)).to.have.property('ok', true);
  });

  it('takes every demo job', () => {
    const index = JSON.parse(readFileSync(new URL('../../../../demo/demo.json', import.meta.url), 'utf8')) as {
      jobs: readonly { file: string }[];
    };
    expect(index.jobs.length).to.be.at.least(4);
    for (const { file } of index.jobs)
      expect(
        whyOf(JSON.parse(readFileSync(new URL(`../../../../demo/${file}`, import.meta.url), 'utf8'))),
        file,
      ).to.equal('');
  });
});

describe('where a workshop is', () => {
  it('is a currency and a region in capital letters, or money could not be written at all', () => {
    const { spoilLog: _, ...stored } = workshop;
    for (const [part, field] of [
      [{ currency: '12!' }, /^currency wants 3 capital letters, such as GBP/],
      [{ currency: 'gbp' }, /^currency /],
      [{ region: '1!' }, /^region wants 2 capital letters, such as GB/],
      [{ region: 'GBR' }, /^region /],
    ] as const) {
      const read = checkWorkshop({ ...stored, ...part });
      expect(read.ok ? '' : read.why, JSON.stringify(part)).to.match(field);
    }
    for (const region of ['GB', 'US', 'ZZ'])
      expect(checkWorkshop({ ...stored, region, currency: 'XTS' }), region).to.have.property('ok', true);
    // A code that names nothing is written as it stands.
    expect(sayMoney(150, { currency: 'XTS', region: 'ZZ' })).to.contain('1.50');
  });
});

describe('checkJob and checkWorkshop', () => {
  it('take what the application itself makes', () => {
    expect(checkJob(newJob('Ebb', workshop))).to.have.property('ok', true);
    const { spoilLog: _, ...stored } = workshop;
    expect(checkWorkshop(stored)).to.have.property('ok', true);
  });
  const { spoilLog: _none, ...owned } = workshop;
  for (const shelf of ['stocks', 'printers', 'trimmers', 'boards', 'envelopes'] as const)
    it(`let no two ${shelf} share an id`, () => {
      const [first, second] = [{ ...owned[shelf][0]! }, { ...owned[shelf][0]!, name: 'Another' }];
      const read = checkWorkshop({ ...owned, [shelf]: [first, second] });
      expect(read.ok ? '' : read.why).to.equal(`${shelf}.1 stands twice; give every one an id of its own.`);
    });
  it('let two printers each have a path of one name, and no printer two', () => {
    const [printer] = owned.printers;
    const other = { ...printer!, id: 'another' };
    expect(checkWorkshop({ ...owned, printers: [printer, other] })).to.have.property('ok', true);
    const twice = { ...printer!, paths: [printer!.paths[0], printer!.paths[0]] };
    const read = checkWorkshop({ ...owned, printers: [twice] });
    expect(read.ok ? '' : read.why).to.match(/^printers\.0\.paths\.1 stands twice/);
  });
  it('miss nothing that a stored job needs', () => {
    const { make: _, ...rest } = newJob('Ebb', workshop);
    expect(checkJob(rest)).to.include({ ok: false, field: 'make' });
  });
});

describe('changeJob', () => {
  it('shares what it does not change and leaves the old job alone', () => {
    const job = newJob('Ebb', workshop);
    const changed = changeJob(job, [
      decide((job) => job.art.faces.at('front'), { background: '#ffffff', picture: null, texts: [] }),
    ]);
    expect(job.art.faces).to.deep.equal({});
    expect(changed.art.faces.front!.background).to.equal('#ffffff');
    expect(changed.size).to.equal(job.size);
  });
  it('refuses a path through something that is not an object', () => {
    expect(() =>
      changeJob(newJob('Ebb', workshop), [
        decide((job) => (job.brief.title as unknown as { colour: Held<number> }).colour, 1),
      ]),
    ).to.throw(RangeError, /brief\.title\.colour/);
  });
});
