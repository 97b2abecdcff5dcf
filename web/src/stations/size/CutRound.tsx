import { useState, type ReactNode } from 'react';
import { isTraced, LIMITS, type LengthUnit, type PictureRef, type PopUp } from '@zippy/core';
import { api } from '../../api/client.ts';
import { PlainButton } from '../../ui/buttons.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';

/** Card left round a picture: enough to hold with scissors and to hide a hair of drift. Our starting value. */
const RIM_MM = 2;
const MOST_SHARE = 0.25;

/** A figure is cut round what is drawn on its picture, with a rim of card. */
export function CutRound({
  popUp,
  picture,
  unit,
  onTraced,
}: {
  readonly popUp: PopUp;
  readonly picture: PictureRef;
  readonly unit: LengthUnit;
  readonly onTraced: (part: Partial<PopUp>) => void;
}): ReactNode {
  const [rimMm, setRimMm] = useState(RIM_MM);
  const [said, setSaid] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const trace = async (): Promise<void> => {
    setBusy(true);
    setSaid(null);
    try {
      const share = Math.min(MOST_SHARE, rimMm / popUp.heightMm);
      const { path } = await api.pictureOutline(picture.sha256, picture.name, picture.widthPx, share);
      onTraced({ shape: 'own', pathIn: 'picture', path });
    } catch (why) {
      setSaid((why as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <LengthField
        label="Card left round its picture"
        mm={rimMm}
        unit={unit}
        least={0}
        most={LIMITS.size.popUp.tabMm.most}
        onCommit={setRimMm}
      />
      <PlainButton isDisabled={isBusy} onPress={() => void trace()}>
        {isTraced(popUp) ? 'Cut it round its picture anew' : 'Cut it round its picture'}
      </PlainButton>
      {said && <p role="alert">{said}</p>}
    </>
  );
}
