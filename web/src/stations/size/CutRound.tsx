import { useState, type ReactNode } from 'react';
import { isTraced, type PictureRef, type PopUp } from '@zippy/core';
import { api } from '../../api/client.ts';
import { PlainButton } from '../../ui/buttons.tsx';

/** A figure is cut round what is drawn on its picture. */
export function CutRound({
  popUp,
  picture,
  onTraced,
}: {
  readonly popUp: PopUp;
  readonly picture: PictureRef;
  readonly onTraced: (part: Partial<PopUp>) => void;
}): ReactNode {
  const [said, setSaid] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  if (isTraced(popUp)) return null;
  const trace = async (): Promise<void> => {
    setBusy(true);
    setSaid(null);
    try {
      const { path } = await api.pictureOutline(picture);
      onTraced({ shape: 'own', pathIn: 'picture', path });
    } catch (why) {
      setSaid((why as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <PlainButton isDisabled={isBusy} onPress={() => void trace()}>
        Cut it round its picture
      </PlainButton>
      {said && <p role="alert">{said}</p>}
    </>
  );
}
