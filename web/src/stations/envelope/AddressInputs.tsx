import { useState, type ReactNode } from 'react';
import { useNavigate, useParams } from 'react-router';
import {
  addressBlock,
  decide,
  DEFAULTS,
  EMPTY_FACE,
  LIMITS,
  type EnvelopePlan,
  type Job,
  type JobChange,
  type LengthUnit,
  type TextBlock,
} from '@zippy/core';
import { More } from '../../slip/More.tsx';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view/index.ts';
import { Choice } from '../../ui/Choice.tsx';
import { PlainButton } from '../../ui/buttons.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { WordsField } from '../../ui/fields/WordsField.tsx';
import { useSet } from './StyleInputs.tsx';

interface Asked {
  readonly job: Job;
  readonly plan: EnvelopePlan;
  readonly unit: LengthUnit;
}

const RETURN = 'return-address';
type Corner = 'envelopeFlap' | 'envelopeFront';

const blocksOn = (job: Job, face: string): readonly TextBlock[] => job.art.faces[face]?.texts ?? [];
const withTexts = (job: Job, face: string, texts: readonly TextBlock[]): JobChange =>
  decide((at) => at.art.faces.at(face), { ...EMPTY_FACE, ...job.art.faces[face], texts });

/** Who it goes to, who it comes from, and how that gets on to the envelope. */
export function AddressInputs({ job, plan, unit }: Asked): ReactNode {
  const change = useJob((s) => s.change);
  const set = useSet();
  const navigate = useNavigate();
  const { id } = useParams();
  const { pickFace, show } = useView.getState();
  const { envelope: choice, names } = job;
  const front = plan.art.piece.faces[0]!;
  const addressed = blocksOn(job, front.id).length > 0;
  const list = names && names.rows.length > 0 ? names : null;
  const address = (): void => {
    const block = list
      ? addressBlock(list, front, choice.clearMm)
      : {
          ...addressBlock({ columns: [], rows: [] }, front, choice.clearMm),
          text: 'Name\nStreet\nTown',
          closesUp: false,
        };
    change([withTexts(job, front.id, [...blocksOn(job, front.id), block])]);
    show('front');
  };
  const toArt = (face: string): void => {
    pickFace(face);
    void navigate(`/jobs/${id}/art`);
  };
  return (
    <>
      {addressed ? (
        <PlainButton onPress={() => toArt(front.id)}>Change its words at Art</PlainButton>
      ) : (
        <PlainButton onPress={address}>
          {list ? `Address ${list.rows.length} from the list` : 'Write on the front'}
        </PlainButton>
      )}
      {!list && <p>Names and addresses from a list come in at Art, from a spreadsheet or an address book.</p>}
      {plan.made && (
        <Choice
          label="Printed"
          value={choice.printOn ?? 'blank'}
          options={[
            { id: 'blank', name: 'Before folding' },
            { id: 'envelope', name: 'When ready' },
          ]}
          onChange={(printOn) => set({ printOn })}
        />
      )}
      {(!plan.made || choice.printOn === 'envelope') && (
        <Choice
          label="Fed"
          value={String(choice.feedTurn ?? 0) as '0' | '90' | '270'}
          options={[
            { id: '0', name: 'As it is read' },
            { id: '90', name: 'Turned right' },
            { id: '270', name: 'Turned left' },
          ]}
          onChange={(turn) => set({ feedTurn: Number(turn) as 0 | 90 | 270 })}
        />
      )}
      <More label="Return address, and what stays clear">
        <ReturnAddress job={job} plan={plan} />
        <Two>
          {(['top', 'bottom', 'left', 'right'] as const).map((edge) => (
            <LengthField
              key={edge}
              label={`Clear at the ${edge === 'bottom' ? 'foot' : edge}`}
              mm={(choice.clearMm ?? DEFAULTS.clearMm)[edge]}
              unit={unit}
              {...LIMITS.envelope.clearMm}
              onCommit={(mm) => set({ clearMm: { ...(choice.clearMm ?? DEFAULTS.clearMm), [edge]: mm } })}
            />
          ))}
        </Two>
        <p>Where stamps go and what machines print differs from post to post: ask yours.</p>
      </More>
    </>
  );
}

/** Small, on the flap or in the corner of the front; taken off by leaving it empty. */
function ReturnAddress({ job, plan }: Pick<Asked, 'job' | 'plan'>): ReactNode {
  const change = useJob((s) => s.change);
  const onFlap = blocksOn(job, 'envelopeFlap').find(({ id }) => id === RETURN);
  const onFront = blocksOn(job, 'envelopeFront').find(({ id }) => id === RETURN);
  const own = onFlap ?? onFront;
  const [where, setWhere] = useState<Corner>(onFront ? 'envelopeFront' : 'envelopeFlap');
  const put = (face: Corner, text: string): void => {
    const rest = (['envelopeFlap', 'envelopeFront'] as const).map((one) =>
      withTexts(
        job,
        one,
        blocksOn(job, one).filter(({ id }) => id !== RETURN),
      ),
    );
    const { widthMm, heightMm } = plan.art.piece.faces.find(({ id }) => id === face)!;
    const block: TextBlock = {
      id: RETURN,
      text,
      typefaceId: 'atkinson-hyperlegible-next-400',
      ...{ sizePt: 8, lineSpacing: 1.25, colour: DEFAULTS.textColour },
      ...(face === 'envelopeFront'
        ? { align: 'left', leftMm: 6, topMm: 6, widthMm: widthMm * 0.45 }
        : { align: 'centre', leftMm: widthMm * 0.25, topMm: heightMm * 0.3, widthMm: widthMm * 0.5 }),
    };
    const others = blocksOn(job, face).filter(({ id }) => id !== RETURN);
    const written = text.trim() === '' ? [] : [withTexts(job, face, [...others, block])];
    change([...rest, ...written], 'envelope-return');
  };
  return (
    <>
      <WordsField label="Return address" rows={3} value={own?.text ?? ''} onChange={(text) => put(where, text)} />
      <Choice
        label="It stands"
        value={where}
        options={[
          { id: 'envelopeFlap', name: 'On the flap' },
          { id: 'envelopeFront', name: 'In the corner' },
        ]}
        onChange={(face) => {
          setWhere(face);
          if (own) put(face, own.text);
        }}
      />
    </>
  );
}
