import type { ReactNode } from 'react';
import { DropZone, FileTrigger, isFileDropItem } from 'react-aria-components';
import styled from 'styled-components';
import { capital } from '@zippy/core';
import { api } from '../../api/client.ts';
import { PICTURES } from '../../stations/art/pictureKinds.ts';
import { useTakeIn } from '../../stations/art/useTakeIn.tsx';
import { useNewCard } from '../../stores/newCard.ts';
import { PlainButton } from '../../ui/buttons.tsx';

/** A name as a person would say it: without the ending and the marks between words. */
const titleOf = (fileName: string): string => capital(fileName.replace(/\.[^.]+$/, '').replaceAll(/[-_]+/g, ' '));

/** The picture that is to cover the front. */
export function HeldPicture(): ReactNode {
  const { picture, set } = useNewCard();
  const { takeIn, said, picker } = useTakeIn((ref) => {
    const { title } = useNewCard.getState();
    set({ picture: ref, ...(title.trim() === '' ? { title: titleOf(ref.name) } : {}) });
  });
  return (
    <Drop
      aria-label="Drop a picture here"
      onDrop={(event) => {
        const file = event.items.find(isFileDropItem);
        if (file) void file.getFile().then(takeIn);
      }}
    >
      {picture ? (
        <img src={api.pictureUrl(picture.sha256)} alt={picture.name} />
      ) : (
        <p>A photograph, a drawing or a page of a PDF: drop it here, or choose the file.</p>
      )}
      <FileTrigger acceptedFileTypes={PICTURES} onSelect={(files) => takeIn(files?.[0])}>
        <PlainButton>{picture ? 'Choose another' : 'Choose a picture'}</PlainButton>
      </FileTrigger>
      {said && <p role="status">{said}</p>}
      {picker}
    </Drop>
  );
}

const Drop = styled(DropZone)`
  display: grid;
  justify-items: center;
  align-content: center;
  gap: 14px;
  min-height: 300px;
  margin-top: 18px;
  padding: 20px;
  border: 2px dashed ${({ theme }) => theme.colour.slateLine};
  border-radius: 4px;
  &[data-drop-target] {
    border-color: ${({ theme }) => theme.colour.marigold};
  }
  img {
    max-width: 100%;
    max-height: 300px;
    background: ${({ theme }) => theme.colour.white};
    box-shadow: ${({ theme }) => theme.shadow};
  }
`;
