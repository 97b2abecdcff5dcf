import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { Job, PictureRef } from '@zippy/core';
import { api } from '../../api/client.ts';
import { Row } from '../../ui/ModalDialog.tsx';

/** Pictures that the job has already, to be placed again. */
export function PicturesOfJob({
  job,
  onPlace,
}: {
  readonly job: Job;
  readonly onPlace: (ref: PictureRef) => void;
}): ReactNode {
  const all = Object.entries(job.pictures);
  if (all.length === 0) return null;
  return (
    <Row role="group" aria-label="Pictures of this job">
      {all.map(([id, ref]) => (
        <Thumb key={id} type="button" onClick={() => onPlace(ref)} aria-label={`Place ${ref.name}`} title={ref.name}>
          <img src={api.pictureUrl(ref.sha256)} alt="" />
        </Thumb>
      ))}
    </Row>
  );
}

const Thumb = styled.button`
  width: 56px;
  height: 56px;
  padding: 2px;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  border-radius: 4px;
  background: ${({ theme }) => theme.colour.white};
  cursor: pointer;
  img {
    width: 100%;
    height: 100%;
    object-fit: cover;
  }
`;
