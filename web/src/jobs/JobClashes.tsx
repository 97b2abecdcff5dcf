import type { ReactNode } from 'react';
import { spokenOf } from '../stations/parts.ts';
import { useJob } from '../stores/job.ts';
import { useWorkshop } from '../stores/workshop.ts';
import ClashDialog from './ClashDialog.tsx';

/** The same decision of a job, made in two places at once. */
export function JobClashes(): ReactNode {
  const { save, clashes, settleClashes, keepBoth } = useJob();
  const workshop = useWorkshop((s) => s.workshop!);
  if (save !== 'conflict') return null;
  return (
    <ClashDialog
      what="This job"
      clashes={clashes}
      spoken={spokenOf(workshop)}
      onSettle={settleClashes}
      onKeepBoth={keepBoth}
    />
  );
}
