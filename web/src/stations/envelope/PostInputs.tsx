import type { ReactNode } from 'react';
import type { EnvelopeChoice, PostChoice } from '@zippy/core';
import { OnOff } from '../../ui/OnOff.tsx';
import { useSet } from './StyleInputs.tsx';

/** What cannot be told from the piece itself: who pays, and how it feels in the hand. */
export function PostInputs({
  choice,
  hasTariff,
  advice,
}: {
  readonly choice: EnvelopeChoice;
  readonly hasTariff: boolean;
  readonly advice: readonly string[];
}): ReactNode {
  const set = useSet();
  const { post = { paid: false } } = choice;
  const put = (part: Partial<PostChoice>): void => set({ post: { ...post, ...part } });
  return (
    <>
      {!hasTariff && <p>What your post asks is typed in at Workshop, under your studio; then it is worked out here.</p>}
      <OnOff label="You pay for post" value={post.paid} onChange={(paid) => put({ paid })} />
      <OnOff label="It does not bend" value={post.stiff ?? false} onChange={(stiff) => put({ stiff })} />
      <OnOff label="It is uneven to the touch" value={post.lumpy ?? false} onChange={(lumpy) => put({ lumpy })} />
      {advice.map((one) => (
        <p key={one}>{one}</p>
      ))}
    </>
  );
}
