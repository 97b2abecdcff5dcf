import { lazy, Suspense, type ReactNode } from 'react';
import styled from 'styled-components';
import { driftFacts, fixed, formatLength } from '@zippy/core';
import { useDrift, usePrintSpread } from '../../../stores/drift.ts';
import type { StationProps } from '../../parts.ts';
import { useFace } from '../useFace.ts';
import { DriftRemedies } from './DriftRemedies.tsx';
import { DriftScales } from './DriftScales.tsx';
import { percent } from './percent.ts';
import { useDriftRun } from './useDriftRun.ts';

const DriftChart = lazy(() => import('./DriftChart.tsx'));

/** A thousand cards through the maker’s own trimmer, and what would keep their faults rare. */
export function DriftPanel(props: StationProps): ReactNode {
  const { job, plan, workshop } = props;
  const { unit } = workshop;
  const { face } = useFace(props);
  const { biasRightMm, biasDownMm, wantedShare } = useDrift();
  const printSpreadMm = usePrintSpread(job, workshop);
  const worst = plan.cut.drift.worst.fromTrueMm;
  const facts = driftFacts(face, plan.size, job.size.bleedMm);
  const run = useDriftRun(facts, { biasRightMm, biasDownMm, printSpreadMm, cutSpreadMm: worst }, wantedShare);
  const { bleedMm, safeMm } = job.size;
  const border = face.art.border;
  const mm = (value: number): string => formatLength(value, unit);
  return (
    <Lab aria-label="Drift: a thousand cards">
      <p>
        <b>{run ? `${percent(run.share)} of a thousand cards` : 'Cutting a thousand cards …'}</b>
        {run && ` would show a fault on the ${face.face.name.toLowerCase()}, cut with ${plan.cut.trimmer.name}.`}
      </p>
      {run && (
        <>
          <table>
            <tbody>
              <tr>
                <th scope="row">White slivers</th>
                <td>
                  {facts.bleedMm === null && Object.keys(facts.shortMm).length === 0
                    ? 'no art at the edge'
                    : percent(run.perCause.sliver)}
                </td>
              </tr>
              <tr>
                <th scope="row">Words clipped</th>
                <td>{percent(run.perCause.clipped)}</td>
              </tr>
              <tr>
                <th scope="row">Border uneven</th>
                <td>{facts.bandMm === null ? 'no border' : percent(run.perCause.border)}</td>
              </tr>
              <tr>
                <th scope="row">By edge</th>
                <td>{facts.cut.map((edge) => `${edge} ${percent(run.perEdge[edge])}`).join(' · ')}</td>
              </tr>
            </tbody>
          </table>
          <Suspense fallback={<p>Drawing the curve …</p>}>
            <DriftChart run={run} bleedMm={bleedMm} safeMm={safeMm} wanted={wantedShare} unit={unit} />
          </Suspense>
          <p>
            To keep each under {percent(wantedShare)}: a bleed of {mm(run.bleedMm)}, words {mm(run.safeMm)} inside the
            trim{border ? `, a border of ${mm(run.bandMm)} or none` : ''}.
          </p>
          <DriftRemedies {...{ job, run, border, unit }} faceId={face.face.id} />
        </>
      )}
      <DriftScales printSpreadMm={printSpreadMm} />
      <small>
        One cut strays by {fixed(worst, 2)} mm (1 σ): the tool’s own repeatability and that of the edge it is measured
        from, see Cut.
      </small>
    </Lab>
  );
}

const Lab = styled.div.attrs({ role: 'group' })`
  display: grid;
  gap: 10px;
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    padding: 4px 0;
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-weight: 400;
    text-align: left;
    vertical-align: top;
    white-space: nowrap;
  }
  td {
    padding: 4px 0 4px 10px;
    font-weight: 700;
    text-align: right;
  }
  tr + tr > * {
    border-top: 1px dotted ${({ theme }) => theme.colour.rule};
  }
  small {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 13px;
  }
`;
