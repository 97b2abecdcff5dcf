import { lazy, Suspense, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { LIMITS, decide, allSnags, plural, type MakeStep } from '@zippy/core';
import { api } from '../../api/client.ts';
import { Slip } from '../../slip/Slip.tsx';
import { TakeAway } from '../../slip/TakeAway.tsx';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view/index.ts';
import { OnOff } from '../../ui/OnOff.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { ButtonLink, DoNow, PlainButton } from '../../ui/buttons.tsx';
import { spokenOf, type StationProps } from '../parts.ts';
import { Lessons } from './Lessons.tsx';

const Rehearsal = lazy(() => import('./Rehearsal.tsx'));
const RunLog = lazy(() => import('./RunLog.tsx'));

/** The whole run laid out as cards to go through, on the slate. */
export function MakeBench(props: StationProps): ReactNode {
  const { plan } = props;
  const atMake = useView((s) => s.atMake);
  const id = useJob((s) => s.id);
  if (atMake !== 'steps')
    return (
      <Suspense fallback={<Table aria-label="Bench" />}>
        {atMake === 'rehearsal' ? <Rehearsal {...props} /> : id && <RunLog jobId={id} workshop={props.workshop} />}
      </Suspense>
    );
  return (
    <Table aria-label="Bench">
      <ol tabIndex={0} aria-label="Steps of the run">
        {plan.make.steps.map((step, i) => (
          <li key={step.id} className={step.kind}>
            <small>
              {i + 1} · {step.title}
            </small>
            <b>{step.big}</b>
            <p>{step.detail}</p>
            {isFirstOfItsCaution(plan.make.steps, i) && <p className="caution">{step.caution}</p>}
          </li>
        ))}
      </ol>
    </Table>
  );
}

/** What can hurt is said where it first comes up; the bench says it again at every step. */
const isFirstOfItsCaution = (steps: readonly MakeStep[], at: number): boolean => {
  const { caution } = steps[at]!;
  return caution !== null && steps.findIndex((step) => step.caution === caution) === at;
};

export function MakeSlip({ job, plan, workshop }: StationProps): ReactNode {
  const navigate = useNavigate();
  const { id, bench, settle, change } = useJob();
  const [problem, setProblem] = useState<string | null>(null);
  const atMake = useView((s) => s.atMake);
  const { showAtMake } = useView.getState();
  // Bare card has no pages.
  const printed = plan.sheet.sides.length > 0;
  const stopped = allSnags(plan).some(({ level }) => level === 'stop');
  const start = async (): Promise<void> => {
    if (!id) return;
    try {
      if (!(await settle())) return setProblem('The job has not reached the server yet; try again when it has.');
      const run = await api.startRun(crypto.randomUUID(), id);
      await navigate(`/bench/${run.id}`);
    } catch (why) {
      setProblem((why as Error).message);
    }
  };
  return (
    <Slip
      title="Make"
      part={plan.make}
      spoken={spokenOf(workshop)}
      after={
        <>
          <TakeAway what="ticket" format="pdf" label="Job ticket, PDF" />
          <TakeAway what="ticket" format="csv" label="Every figure, CSV" />
          {printed && plan.size.form.blank.creases.length > 0 && (
            <TakeAway what="proof" format="pdf" label="Thumbnail to fold, PDF" />
          )}
          {printed && <TakeAway what="sheets" format="pdf" label="Sheets to print, PDF" />}
          {plan.sheet.layers.some(({ print }) => print) && (
            <TakeAway what="panels" format="pdf" label="Sheets of printed panels, PDF" />
          )}
          {printed && (
            <>
              <TakeAway what="face" format="png" label="Faces as pictures, PNG" />
              <TakeAway what="face" format="pdf" label="All faces in one PDF" />
              <TakeAway what="press" format="pdf" label="All faces in press inks (CMYK), PDF" />
              <TakeAway what="side" format="pdf" label="A PDF for each side, open" />
            </>
          )}
          <ButtonLink
            style={{ justifyContent: 'flex-start' }}
            href={id ? api.jobFileUrl(id) : ''}
            download={`${job.brief.title}.json`}
          >
            ↓ The job itself, JSON
          </ButtonLink>
        </>
      }
    >
      {bench?.openRunId ? (
        <>
          <p>
            A run is open: {bench.good} good and {bench.spoiled} spoiled so far.
          </p>
          <DoNow onPress={() => void navigate(`/bench/${bench.openRunId}`)}>Go on at the bench</DoNow>
        </>
      ) : (
        <>
          {bench && bench.good > 0 && (
            <p>
              {bench.good} good {plural(bench.good, 'card')} made so far, {bench.spoiled} spoiled.
            </p>
          )}
          <DoNow onPress={() => void start()} isDisabled={stopped}>
            Start a run
          </DoNow>
          {stopped && <p>A snag stops the job; settle it first.</p>}
        </>
      )}
      {problem && <p role="alert">{problem}</p>}
      {plan.sheet.up > 0 && (
        <PlainButton
          aria-pressed={atMake === 'rehearsal'}
          onPress={() => showAtMake(atMake === 'rehearsal' ? 'steps' : 'rehearsal')}
        >
          {atMake === 'rehearsal' ? 'Back to the steps' : 'Rehearse twenty cards'}
        </PlainButton>
      )}
      <PlainButton aria-pressed={atMake === 'log'} onPress={() => showAtMake(atMake === 'log' ? 'steps' : 'log')}>
        {atMake === 'log' ? 'Back to the steps' : 'The log of runs'}
      </PlainButton>
      {id && <Lessons jobId={id} job={job} workshop={workshop} />}
      {printed && (
        <OnOff
          label="A thumbnail and a test sheet first"
          value={job.make.testPrint === true}
          onChange={(on) => change([decide((job) => job.make.testPrint, on)])}
        />
      )}
      <NumberField
        label="Minutes to dry"
        value={job.make.dryMinutes}
        {...LIMITS.make.dryMinutes}
        onCommit={(n) => change([decide((job) => job.make.dryMinutes, n)])}
      />
    </Slip>
  );
}

const Table = styled.section`
  display: grid;
  min-height: 0;
  background: ${({ theme }) => theme.colour.slate};
  ol {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
    gap: 14px;
    align-content: start;
    min-height: 0;
    margin: 0;
    padding: 28px;
    overflow: auto;
    list-style: none;
  }
  li {
    display: flex;
    flex-direction: column;
    gap: 4px;
    padding: 14px 16px;
    border-top: 6px solid ${({ theme }) => theme.colour.rule};
    border-radius: 3px;
    background: ${({ theme }) => theme.colour.paper};
    color: ${({ theme }) => theme.colour.ink};
    box-shadow: ${({ theme }) => theme.shadow};
  }
  li.cut,
  li.piles {
    border-color: ${({ theme }) => theme.colour.plum};
  }
  li.crease,
  li.fold {
    border-color: ${({ theme }) => theme.colour.teal};
  }
  li.print {
    border-color: ${({ theme }) => theme.colour.slateLine};
  }
  li.pack {
    border-color: ${({ theme }) => theme.colour.marigold};
  }
  small {
    font-size: 14px;
    color: ${({ theme }) => theme.colour.inkQuiet};
  }
  b {
    font: 700 22px/1.2 ${({ theme }) => theme.font.mono};
  }
  p {
    font-size: 14px;
    line-height: 1.4;
  }
  .caution {
    margin-top: auto;
    padding: 6px 8px;
    border-left: 4px solid ${({ theme }) => theme.colour.marigold};
    background: ${({ theme }) => theme.colour.marigoldWash};
  }
`;
