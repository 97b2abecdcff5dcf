import { contrast, isPressBlack, luminance, type FacePlan, type Plan } from '@zippy/core';
import { PressInks, type PressInk } from '../pdf/pressInks.ts';
import type { Draft, Exporter } from '../types.ts';
import { facePages } from '../facePages.ts';
import { facesFile } from './face.ts';

/** Faces in a press’s four inks, with what its house should know of them. */
export const press: Exporter<'pdf'> = async function* (input, _, name): AsyncGenerator<Draft> {
  yield facesFile(input, `${name}-faces-press-inks`, true);
  const inks = await PressInks.load();
  for (const { page } of facePages(input.plan)) await inks.prepare(page.scene);
  const notes = pressNotes(input.plan, inks);
  yield { kind: 'words', stem: `${name}-press-notes`, text: `${notes.join('\n')}\n` };
};

/** Words smaller than this show when their inks do not fall on each other; reversed ones fill in sooner. */
const SMALL_PT = { mixed: 9, reversed: 10 } as const;
/** Rules finer than this are lost between inks. */
const HAIRLINE_PT = 0.5;
/** An ink lighter than this is not seen beside another. */
const SEEN_INK = 0.1;

const inksOf = (ink: PressInk): number => ink.filter((part) => part >= SEEN_INK).length;

/** What a print house should know of the file before it makes plates; one sentence a line. */
function pressNotes({ art, stock }: Plan, inks: PressInks): readonly string[] {
  const { coloured, white } = art.onStock;
  const card = `${stock.stock.colourName.toLowerCase()} card`;
  return [
    'Colours are in four inks by the profile in the file; black words, rules and codes are black ink alone and overprint.',
    white && coloured
      ? `The job is on ${card}: white is in the file as an ink of its own, named White, in the shape of the art; lay it under the colours. Viewers that know no plates show it as nothing.`
      : coloured
        ? `The job is on ${card} and NO white is in this file: its inks let the card through, and white parts of the art print nothing.`
        : 'No white is laid: the card is pale.',
    ...art.faces.flatMap((face) => registerNotes(face, inks)),
  ];
}

/** Light small type and hairlines, which want their inks to fall on each other exactly. */
function registerNotes(face: FacePlan, inks: PressInks): readonly string[] {
  const on = `on the ${face.face.name.toLowerCase()}`;
  const ground = face.art.background;
  const groundInks = ground ? inksOf(inks.of(ground)) : 0;
  return face.items.flatMap((item): readonly string[] => {
    if (item.kind === 'text') {
      const { block, set } = item;
      const size = block.sizePt * set.fitted;
      const said = `“${block.text.split('\n')[0]!.slice(0, 40)}” ${on}, ${size.toFixed(1)} pt`;
      const reversed =
        ground !== null && luminance(block.colour) > luminance(ground) && contrast(block.colour, ground) > 3;
      if (reversed && groundInks > 1 && size < SMALL_PT.reversed)
        return [`${said}: light words out of a ground of ${groundInks} inks; check the register, or set them larger.`];
      const mixed = isPressBlack(block.colour) ? 1 : inksOf(inks.of(block.colour));
      return mixed > 1 && size < SMALL_PT.mixed
        ? [`${said}: small words of ${mixed} inks; check the register, or print them in black.`]
        : [];
    }
    if (item.kind !== 'rule' || item.object.weightPt >= HAIRLINE_PT) return [];
    const mixed = isPressBlack(item.object.colour) ? 1 : inksOf(inks.of(item.object.colour));
    return mixed > 1
      ? [
          `A rule of ${item.object.weightPt} pt ${on}: a hairline of ${mixed} inks; check the register, or print it in black.`,
        ]
      : [];
  });
}
