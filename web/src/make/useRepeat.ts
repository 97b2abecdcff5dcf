import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../api/client.ts';

/** Makes a run once more as it was, and goes to its bench; a problem is a sentence. */
export function useRepeat(): {
  readonly repeat: (run: { readonly id: string; readonly jobId: string }) => Promise<void>;
  readonly problem: string | null;
} {
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string | null>(null);
  const repeat = async (run: { readonly id: string; readonly jobId: string }): Promise<void> => {
    try {
      const again = await api.startRun(crypto.randomUUID(), run.jobId, run.id);
      await navigate(`/bench/${again.id}`);
    } catch (why) {
      setProblem((why as Error).message);
    }
  };
  return { repeat, problem };
}
