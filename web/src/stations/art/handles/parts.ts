import styled from 'styled-components';

/** Frames are dragged from here: all round the face, and on it where no picture lies. */
export const Backdrop = styled.div`
  position: absolute;
  inset: 0;
`;
export const PictureHandle = styled.div`
  position: absolute;
  cursor: grab;
  touch-action: pan-x pan-y pinch-zoom;
  &[data-held] {
    outline: 2px solid ${({ theme }) => theme.colour.marigold};
    touch-action: none;
  }
`;
export const ItemHandle = styled.div`
  position: absolute;
  border: 1px dashed transparent;
  cursor: move;
  touch-action: pan-x pan-y pinch-zoom;
  &[data-locked] {
    cursor: default;
  }
  &:hover {
    border-color: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  &[aria-pressed='true'] {
    touch-action: none;
    border-color: ${({ theme }) => theme.colour.marigold};
    box-shadow: 0 0 0 1px rgb(29 41 48 / 0.6);
  }
`;
export const Corner = styled.div`
  position: absolute;
  right: -9px;
  bottom: -9px;
  width: 18px;
  height: 18px;
  border: 2px solid ${({ theme }) => theme.colour.ink};
  border-radius: 50%;
  background: ${({ theme }) => theme.colour.marigold};
  cursor: nwse-resize;
  touch-action: none;
`;
export const DraggedFrame = styled.div`
  position: absolute;
  border: 1px dashed ${({ theme }) => theme.colour.marigold};
  background: rgb(242 176 30 / 0.12);
  pointer-events: none;
`;
export const GuideLine = styled.div`
  position: absolute;
  min-width: 1px;
  min-height: 1px;
  background: ${({ theme }) => theme.colour.marigold};
  box-shadow: 0 0 0 0.5px rgb(29 41 48 / 0.5);
  pointer-events: none;
`;
