import { useEffect, useRef, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import type { Job, OwnTypeface } from '@zippy/core';
import type { OwnTypefaceRow } from '@zippy/core/contract';
import { sayShare } from '../../../api/upload.ts';
import { useTypefaces } from '../../../stores/typefaces.ts';
import { Pick } from '../../../ui/Pick.tsx';
import { LICENCE, sayEmbedding } from './sayEmbedding.ts';
import { BRING, typefaceSections } from './typefaceSections.ts';
import { TYPEFACE_FILES } from './typefaceFiles.ts';

/** A typeface for words: one that ships, one of the maker’s own, or one that is brought now. */
export function TypefacePick({
  label,
  value,
  job,
  onPick,
}: {
  readonly label: string;
  readonly value: string;
  readonly job: Job;
  /** @param own what the job has to name, for one of the maker’s own */
  readonly onPick: (id: string, own: OwnTypeface | null) => void;
}): ReactNode {
  const { own, load, bring } = useTypefaces();
  const chooser = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<string | null>(null);
  useEffect(() => void load(), [load]);
  const pick = (id: string): void => {
    if (id === BRING) return chooser.current?.click();
    const row = own?.find((one) => one.id === id);
    onPick(id, row ? refOf(row) : (job.typefaces?.[id] ?? null));
    setSaid(null);
  };
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const say = (share: number): void => setSaid(sayShare(file.name, share));
    say(0);
    try {
      const brought = await bring(file, say);
      onPick(brought.id, refOf(brought));
      setSaid(`${brought.name} is among your typefaces. ${sayEmbedding(brought.embedding)} ${LICENCE}`);
    } catch (why) {
      setSaid((why as Error).message);
    }
  };
  return (
    <div>
      <Pick label={label} value={value} sections={typefaceSections(own ?? [], job.typefaces)} onChange={pick} />
      <input
        ref={chooser}
        type="file"
        hidden
        accept={TYPEFACE_FILES.join(',')}
        aria-label="A typeface’s file"
        onChange={({ currentTarget }) => {
          void take(currentTarget.files?.[0]);
          // The same file may be chosen again.
          currentTarget.value = '';
        }}
      />
      {said && <Said role="status">{said}</Said>}
    </div>
  );
}

const refOf = ({ name, sha256 }: OwnTypefaceRow): OwnTypeface => ({ name, sha256 });

const Said = styled.p`
  padding-top: 6px;
  font-size: 15px;
  color: ${({ theme }) => theme.colour.inkQuiet};
`;
