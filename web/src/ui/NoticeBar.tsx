import { X } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { useNotice } from '../stores/notice.ts';
import { DoNow, PlainButton } from './buttons.tsx';

/** Whatever was taken away last, with one press to have it back. */
export function NoticeBar(): ReactNode {
  const { notice, close } = useNotice();
  const [failed, setFailed] = useState<string | null>(null);
  const goBack = async (): Promise<void> => {
    setFailed(null);
    try {
      await notice?.back();
      close();
    } catch (why) {
      setFailed(`${(why as Error).message} Press again.`);
    }
  };
  return (
    <Bar role="status" aria-label="Taken away" data-empty={!notice || undefined}>
      {notice && (
        <>
          <span>{failed ?? notice.text}</span>
          <DoNow onPress={() => void goBack()}>Bring it back</DoNow>
          <PlainButton aria-label="Leave it away" onPress={close}>
            <X size={16} aria-hidden />
          </PlainButton>
        </>
      )}
    </Bar>
  );
}

const Bar = styled.div`
  position: fixed;
  left: 50%;
  bottom: 18px;
  z-index: 20;
  display: flex;
  align-items: center;
  gap: 10px;
  max-width: min(680px, 94vw);
  padding: 8px 8px 8px 16px;
  border: 1px solid ${({ theme }) => theme.colour.slateLine};
  border-radius: 8px;
  background: ${({ theme }) => theme.colour.ink};
  color: ${({ theme }) => theme.colour.onSlate};
  box-shadow: ${({ theme }) => theme.shadow};
  transform: translateX(-50%);
  &[data-empty] {
    display: none;
  }
`;
