import type { ReactNode } from 'react';
import type { Workshop } from '@zippy/core';
import { useNewCard } from '../../stores/newCard.ts';
import { EarlierJob } from './EarlierJob.tsx';
import { FoldedForms } from './FoldedForms.tsx';
import { HeldEnvelope } from './HeldEnvelope.tsx';
import { HeldPack } from './HeldPack.tsx';
import { HeldPicture } from './HeldPicture.tsx';
import { HeldSample } from './HeldSample.tsx';

/** The thing itself. */
export function Held({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const way = useNewCard((s) => s.way);
  switch (way) {
    case 'form':
      return <FoldedForms workshop={workshop} />;
    case 'envelope':
      return <HeldEnvelope workshop={workshop} />;
    case 'sample':
      return <HeldSample unit={workshop.unit} />;
    case 'pack':
      return <HeldPack workshop={workshop} />;
    case 'picture':
      return <HeldPicture />;
    case 'earlier':
      return <EarlierJob />;
  }
}
