import { expect } from 'chai';
import sharp from 'sharp';
import type { ScanAnswer } from '@zippy/core/contract';
import { Serving } from './serving.ts';

describe('scans', () => {
  const serving = new Serving();
  const ask = async (body: Buffer, asked: object): Promise<{ status: number; body: Record<string, unknown> }> => {
    const query = new URLSearchParams({ asked: JSON.stringify(asked) }).toString();
    const response = await fetch(`${serving.base}/workshop/scan?${query}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/octet-stream' },
      body: new Uint8Array(body),
    });
    return { status: response.status, body: (await response.json()) as Record<string, unknown> };
  };
  const PX_PER_MM = 300 / 25.4;
  const rect = (wide: number, high: number) => ({
    create: {
      ...{ width: Math.round(wide * PX_PER_MM), height: Math.round(high * PX_PER_MM), channels: 3 as const },
      background: '#f1eee4',
    },
  });
  /** Two cards on black, as a scanner saves them. */
  const scan = async (density: number | null = 300): Promise<Buffer> => {
    const cards = await Promise.all([sharp(rect(60, 90)).png().toBuffer(), sharp(rect(70, 50)).png().toBuffer()]);
    const glass = sharp({ create: { width: 2000, height: 1500, channels: 3, background: '#1c1c1e' } }).composite([
      { input: cards[0], left: 100, top: 120 },
      { input: cards[1], left: 1000, top: 200 },
    ]);
    return (density === null ? glass : glass.withMetadata({ density })).png().toBuffer();
  };

  it('are read in a process of their own: the sizes of what lies there, by the file’s own word for its dots', async () => {
    const bytes = await scan();
    const { status, body } = await ask(bytes, { kind: 'cards', firstBytes: bytes.length });
    expect(status, JSON.stringify(body)).to.equal(200);
    const { cards } = body as unknown as Extract<ScanAnswer, { kind: 'cards' }>;
    expect(cards).to.have.length(2);
    // Whole dots: 60 mm are 708.66 of them, so 709.
    expect(cards[0]!.widthMm).to.be.closeTo(709 / PX_PER_MM, 0.03);
    expect(cards[0]!.heightMm).to.be.closeTo(1063 / PX_PER_MM, 0.03);
    expect(cards[1]!.widthMm).to.be.closeTo(827 / PX_PER_MM, 0.03);
  });

  it('that say nothing of their dots want to be told, and go by what is said', async () => {
    const bytes = await scan(null);
    const silent = await ask(bytes, { kind: 'cards', firstBytes: bytes.length });
    expect(silent.status).to.equal(422);
    expect(silent.body.message).to.match(/dots to the inch/);
    const told = await ask(bytes, { kind: 'cards', firstBytes: bytes.length, dpi: 600 });
    const { cards } = told.body as unknown as Extract<ScanAnswer, { kind: 'cards' }>;
    expect(cards[0]!.widthMm).to.be.closeTo(709 / PX_PER_MM / 2, 0.03);
  });

  it('that are none, or are asked about what cannot be, are refused in a sentence', async () => {
    const words = Buffer.from('no scan at all');
    expect((await ask(words, { kind: 'cards', firstBytes: words.length })).body.message).to.match(
      /no scan that can be read/,
    );
    const bytes = await scan();
    expect((await ask(bytes, { kind: 'weather', firstBytes: 4 })).status).to.equal(400);
    expect((await ask(bytes, { kind: 'calibration', firstBytes: bytes.length })).body.message).to.match(/of/);
    expect((await ask(bytes, { kind: 'frame', firstBytes: bytes.length })).body.message).to.match(
      /2 pieces were found/,
    );
  });
});
