import { useEffect, useState, type ReactNode } from 'react';
import { Link } from 'react-aria-components';
import { progressOf, STATION_NAMES, STATIONS, type JobBench, type Plan, type Workshop } from '@zippy/core';
import type { StoredJob } from '@zippy/core/contract';
import { api } from '../api/client.ts';
import { SceneView } from '../bench/SceneView.tsx';
import { useNotice } from '../stores/notice.ts';
import { PlainButton } from '../ui/buttons.tsx';
import { askPlanInTurn } from '../workers/planner.ts';
import { cardScene } from './cardScene.ts';
import { dueWords } from './dueWords.ts';
import { Card } from './jobCardLook.ts';

/** One job on the wall: the card itself, when it is due, and where it waits. */
export function JobCard({
  stored,
  bench,
  workshop,
  onChanged,
}: {
  readonly stored: StoredJob;
  readonly bench: JobBench | null;
  readonly workshop: Workshop;
  readonly onChanged: () => void;
}): ReactNode {
  const [plan, setPlan] = useState<Plan | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const job = stored.document;
  const [going, setGoing] = useState(false);
  const putAway = async (): Promise<void> => {
    // A second press finds it gone already.
    if (going) return;
    setGoing(true);
    try {
      await api.removeJob(stored.id);
    } catch (why) {
      setGoing(false);
      return setFailed((why as Error).message);
    }
    useNotice.getState().say(`“${job.brief.title}” is put away.`, async () => {
      await api.restoreJob(stored.id);
      onChanged();
    });
    onChanged();
  };
  useEffect(() => {
    const left = new AbortController();
    askPlanInTurn(job, workshop, left.signal)
      .then((made) => left.signal.aborted || setPlan(made))
      .catch((why: unknown) => left.signal.aborted || setFailed((why as Error).message));
    return () => left.abort();
  }, [job, workshop]);
  const due = dueWords(job.brief.dueDate, workshop.region);
  const progress =
    plan && progressOf(plan, plan.brief.wanted, { good: bench?.good ?? 0, open: bench?.openRunId != null });
  const at = progress ? STATIONS.indexOf(progress.station) : -1;
  return (
    <Card>
      <Link
        href={`/jobs/${stored.id}/${progress?.station ?? 'brief'}`}
        aria-label={`${job.brief.title}: ${progress?.reason ?? 'planning'}`}
      >
        <span className="picture">{plan && <SceneView scene={cardScene(plan)} pictures={job.pictures} />}</span>
        <span className="words">
          <strong>{job.brief.title}</strong>
          <span>{plan ? `${plan.size.formatName}, ${plan.size.telling}` : ' '}</span>
          <span>{plan ? `${plan.brief.telling} · ${plan.sheet.telling}` : ' '}</span>
          <span className={`where ${failed ? 'stop' : (progress?.level ?? '')}`}>
            {failed}
            {progress && (
              <>
                <b>{progress.level === 'done' ? '✓' : progress.level === 'stop' ? '✕' : '▸'}</b>{' '}
                {STATION_NAMES[progress.station]}: {progress.reason}
              </>
            )}
          </span>
        </span>
        <span className={`due ${due.near && progress?.level !== 'done' ? 'near' : ''}`}>
          <b>{due.big}</b>
          <small>{due.small}</small>
        </span>
        <span className="folds" aria-hidden>
          {STATIONS.map((station, i) => (
            <i
              key={station}
              className={i < at || progress?.level === 'done' ? 'past' : i === at ? (progress?.level ?? '') : ''}
            />
          ))}
        </span>
      </Link>
      <div className="remove">
        <PlainButton aria-label={`Put ${job.brief.title} away`} onPress={() => void putAway()}>
          ✕
        </PlainButton>
      </div>
    </Card>
  );
}
