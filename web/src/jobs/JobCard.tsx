import { useEffect, useState, type ReactNode } from 'react';
import { Link } from 'react-aria-components';
import styled from 'styled-components';
import {
  boxPath,
  drawFolded,
  seenPanels,
  seenSide,
  progressOf,
  STATION_NAMES,
  STATIONS,
  type JobBench,
  type Plan,
  type Scene,
  type Workshop,
} from '@zippy/core';
import type { StoredJob } from '@zippy/core/contract';
import { api } from '../api/client.ts';
import { SceneView } from '../bench/SceneView.tsx';
import { useNotice } from '../stores/notice.ts';
import { PlainButton } from '../ui/buttons.tsx';
import { askPlan, today } from '../workers/planner.ts';

const DAY_MS = 86_400_000;

function dueWords(dueDate: string | null): { readonly big: string; readonly small: string; readonly near: boolean } {
  if (!dueDate) return { big: '—', small: 'no date', near: false };
  const days = Math.round((Date.parse(dueDate) - Date.parse(today())) / DAY_MS);
  const small = new Date(`${dueDate}T12:00`).toLocaleDateString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  });
  if (days < 0) return { big: `${-days}`, small: `days late, ${small}`, near: true };
  if (days === 0) return { big: 'now', small: `due ${small}`, near: true };
  return { big: String(days), small: `${days === 1 ? 'day' : 'days'}, ${small}`, near: days <= 3 };
}

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
    let here = true;
    askPlan(job, workshop)
      .then((made) => here && setPlan(made))
      .catch((why: unknown) => here && setFailed((why as Error).message));
    return () => {
      here = false;
    };
  }, [job, workshop]);
  const due = dueWords(job.brief.dueDate);
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

/** The card standing a little open, on nothing. */
function cardScene(plan: Plan): Scene {
  const stockColour = plan.stock.stock.colour;
  const art = {
    outside: seenSide(plan.art, 'outside', stockColour),
    inside: seenSide(plan.art, 'inside', stockColour),
  };
  if (plan.size.form.blank.creases.length > 0)
    return drawFolded(plan.size, { open: 0.16, stockColour, art, prints: seenPanels(plan) });
  const { widthMm, heightMm } = plan.size.form.blank;
  const trim = { xMm: 0, yMm: 0, widthMm, heightMm };
  return {
    box: trim,
    symbols: {},
    shapes: [
      { kind: 'path', role: 'stock', path: boxPath(trim), fill: stockColour },
      { kind: 'group', transform: [1, 0, 0, 1, 0, 0], clip: boxPath(trim), children: art.outside },
    ],
  };
}

const Card = styled.li`
  position: relative;
  border-radius: 4px;
  background: ${({ theme }) => theme.colour.paper};
  box-shadow: ${({ theme }) => theme.shadow};
  > a {
    display: grid;
    grid-template: 1fr auto / 190px 1fr auto;
    min-height: 206px;
    text-decoration: none;
    border-radius: 4px;
    cursor: pointer;
  }
  > a[data-hovered] strong {
    text-decoration: underline;
    text-underline-offset: 4px;
  }
  .picture {
    display: grid;
    place-items: center;
    min-height: 0;
    padding: 12px 6px 12px 14px;
    background: linear-gradient(100deg, ${({ theme }) => theme.colour.paperShade} 82%, transparent);
  }
  .picture svg {
    width: 164px;
    height: 168px;
    overflow: visible;
    filter: drop-shadow(0 4px 6px rgb(29 41 48 / 0.32));
  }
  .words {
    display: grid;
    align-content: start;
    gap: 3px;
    min-width: 0;
    padding: 18px 8px 10px 14px;
    font-size: 15px;
    color: ${({ theme }) => theme.colour.inkQuiet};
  }
  .words strong {
    margin-bottom: 4px;
    color: ${({ theme }) => theme.colour.ink};
    font-size: 22px;
    line-height: 1.15;
  }
  .where {
    margin-top: 8px;
    color: ${({ theme }) => theme.colour.ink};
  }
  .where.stop {
    color: ${({ theme }) => theme.colour.coral};
  }
  .where.done {
    color: ${({ theme }) => theme.colour.green};
  }
  .due {
    display: grid;
    align-content: start;
    justify-items: end;
    min-width: 92px;
    padding: 16px 18px 0 0;
    text-align: right;
  }
  .due b {
    font: 700 34px/1 ${({ theme }) => theme.font.mono};
  }
  .due small {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 13px;
  }
  .due.near b {
    padding: 2px 8px;
    background: ${({ theme }) => theme.colour.marigold};
  }
  .folds {
    grid-column: 1 / -1;
    display: grid;
    grid-template-columns: repeat(10, 1fr);
  }
  .folds i {
    height: 12px;
    background: ${({ theme }) => theme.colour.linenDeep};
  }
  .folds i:nth-child(odd) {
    clip-path: polygon(0 3px, 100% 0, 100% calc(100% - 3px), 0 100%);
  }
  .folds i:nth-child(even) {
    clip-path: polygon(0 0, 100% 3px, 100% 100%, 0 calc(100% - 3px));
    filter: brightness(0.93);
  }
  .folds i.past {
    background: ${({ theme }) => theme.colour.slateLine};
  }
  .folds i.go {
    background: ${({ theme }) => theme.colour.marigold};
  }
  .folds i.stop {
    background: ${({ theme }) => theme.colour.coral};
  }
  .remove {
    position: absolute;
    right: 10px;
    bottom: 20px;
    display: flex;
    gap: 6px;
  }
  .remove > button:only-child {
    border-color: transparent;
    background: none;
  }
  .remove button {
    min-height: 32px;
    padding: 2px 10px;
    font-size: 14px;
  }
`;
