import { useEffect, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import type { PictureRef } from '@zippy/core';
import { addPicture, sayShare } from '../../api/upload.ts';
import { Turner } from '../../bench/Turner.tsx';
import { Scale } from '../../ui/Scale.tsx';
import { DoNow } from '../../ui/buttons.tsx';
import { ModalDialog } from '../../ui/ModalDialog.tsx';
import { cropped, openPdf, type Crop, type PdfPages } from './pdfPages.ts';

const SIDES = ['left', 'right', 'top', 'bottom'] as const;
const NAMES = { left: 'Left', right: 'Right', top: 'Top', bottom: 'Foot' } as const;
/** For choosing by, a third of the sharpness is enough. */
const PREVIEW = 0.33;
const MOST_CROP = 0.45;

/** One page of a PDF, and what of it becomes a picture. */
export default function PdfPicker({
  file,
  onTaken,
  onClose,
}: {
  readonly file: File;
  readonly onTaken: (ref: PictureRef) => void;
  readonly onClose: () => void;
}): ReactNode {
  const [pages, setPages] = useState<PdfPages | null>(null);
  const [number, setNumber] = useState(1);
  const [seen, setSeen] = useState<string | null>(null);
  const [crop, setCrop] = useState<Crop>({ left: 0, right: 0, top: 0, bottom: 0 });
  const [said, setSaid] = useState<string | null>('Opening …');
  useEffect(() => {
    let opened: PdfPages | null = null;
    let here = true;
    openPdf(file)
      .then((found) => {
        opened = found;
        if (!here) return found.close();
        setPages(found);
        setSaid(null);
      })
      .catch((why: unknown) => here && setSaid((why as Error).message));
    return () => {
      here = false;
      opened?.close();
    };
  }, [file]);
  useEffect(() => {
    let here = true;
    pages
      ?.draw(number, PREVIEW)
      .then((canvas) => here && setSeen(canvas.toDataURL('image/png')))
      .catch(() => here && setSaid(`Page ${number} cannot be drawn; choose another.`));
    return () => {
      here = false;
    };
  }, [pages, number]);
  const take = async (): Promise<void> => {
    if (!pages) return;
    setSaid('Taking it in …');
    try {
      const canvas = await pages.draw(number);
      const name = `${file.name.replace(/\.pdf$/i, '')}, page ${number}.png`;
      const picture = await cropped(canvas, crop, name);
      // What is kept of a page is as large as it was there, whatever its pixels.
      const pageWidthMm = Math.round((await pages.widthMm(number)) * (1 - crop.left - crop.right) * 100) / 100;
      onTaken({ ...(await addPicture(picture, (share) => setSaid(sayShare(name, share)))), pageWidthMm });
    } catch (why) {
      setSaid((why as Error).message);
    }
  };
  return (
    <ModalDialog title={`A page of ${file.name}`} isOpen onClose={onClose} wide>
      <Halves>
        <div className="page">
          {seen && (
            <div className="frame">
              <img src={seen} alt={`Page ${number}`} />
              <i
                style={{
                  left: `${crop.left * 100}%`,
                  right: `${crop.right * 100}%`,
                  top: `${crop.top * 100}%`,
                  bottom: `${crop.bottom * 100}%`,
                }}
              />
            </div>
          )}
        </div>
        <div>
          {pages && pages.count > 1 && <Turner name="Page" number={number} of={pages.count} onChange={setNumber} />}
          {pages &&
            SIDES.map((side) => (
              <Scale
                key={side}
                label={`${NAMES[side]}: leave out`}
                value={crop[side]}
                least={0}
                most={MOST_CROP}
                step={0.005}
                say={(v) => `${(v * 100).toFixed(1)} %`}
                onChange={(v) => setCrop({ ...crop, [side]: v })}
              />
            ))}
          {said && <p role="status">{said}</p>}
          <DoNow isDisabled={!pages || !seen} onPress={() => void take()}>
            Use this page
          </DoNow>
        </div>
      </Halves>
    </ModalDialog>
  );
}

const Halves = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 18px;
  > div {
    display: grid;
    gap: 12px;
    align-content: start;
  }
  > .page {
    align-content: center;
  }
  .page {
    /* As tall as a page will be, so that nothing moves under the hand when it comes. */
    min-height: calc(56vh + 28px);
    place-items: center;
    padding: 14px;
    background: ${({ theme }) => theme.colour.slate};
  }
  .frame {
    position: relative;
    overflow: hidden;
  }
  img {
    display: block;
    max-width: 100%;
    max-height: 56vh;
  }
  i {
    position: absolute;
    border: 2px solid ${({ theme }) => theme.colour.marigold};
    box-shadow: 0 0 0 999px rgb(29 41 48 / 0.55);
  }
  [role='group'] button {
    color: ${({ theme }) => theme.colour.ink};
  }
`;
