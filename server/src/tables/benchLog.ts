import {
  countLosses,
  countRun,
  lostAt,
  notesOf,
  notUndone,
  pathKey,
  type BenchLog,
  type LossCosts,
  type MakeStep,
  type MeasuredPiece,
  type RunEvent,
  type ToolReading,
} from '@zippy/core';
import type { LoggedRunRow } from '@zippy/core/contract';
import { STANDING } from './runs.ts';
import type { Db } from './types.ts';

/** As many of the newest runs tell where cards are lost. */
const RUNS_LOOKED_AT = 150;
/** As many of the newest measured pieces are kept at hand, of all tools together. */
const PIECES_LOOKED_AT = 400;

/** What every run of the studio has come to, and what the newest tell of tools and stages. */
export async function findBenchLog(db: Db, studioId: string): Promise<BenchLog> {
  const { rows } = await db.query<{ good: string; spoiled: string }>(
    `select coalesce(sum(cards) filter (where kind = 'good'), 0) as good, coalesce(sum(cards) filter (where kind = 'spoiled'), 0) as spoiled
     from run_events e where studio_id = $1 and ${STANDING}`,
    [studioId],
  );
  const [runs, pieces] = [await findRows(db, studioId, RUNS_LOOKED_AT), await findPieces(db, studioId)];
  const losses = countLosses(runs.map(({ steps, events, tools }) => ({ steps, events, tools: stagesOn(tools) })));
  return {
    good: Number(rows[0]!.good),
    spoiled: Number(rows[0]!.spoiled),
    ...(losses.length > 0 ? { losses } : {}),
    ...(pieces.length > 0 ? { pieces } : {}),
  };
}

async function findPieces(db: Db, studioId: string): Promise<readonly ToolReading[]> {
  const { rows } = await db.query<{ run_id: string; at: Date; detail: MeasuredPiece & { kind: string } }>(
    `select run_id, at, detail from run_events e
     where studio_id = $1 and kind = 'measured' and detail is not null and ${STANDING}
     order by at desc, id limit $2`,
    [studioId, PIECES_LOOKED_AT],
  );
  return rows
    .map(({ run_id, at, detail: { kind: _, ...piece } }) => ({ ...piece, runId: run_id, at: at.toISOString() }))
    .reverse();
}

interface Tools {
  readonly printer: string | null;
  readonly path: string | null;
  readonly trimmer: string | null;
  readonly board: string | null;
}

interface LogRow {
  readonly id: string;
  readonly jobId: string;
  readonly title: string;
  readonly stockId: string | null;
  readonly wanted: number;
  readonly startedAt: Date;
  readonly finishedAt: Date | null;
  readonly costs: LossCosts | null;
  readonly tools: Tools;
  readonly steps: readonly Pick<MakeStep, 'id' | 'kind'>[];
  readonly good: number;
  /** What still counts: all good cards as one press, those that were lost, and notes. */
  readonly events: readonly RunEvent[];
}

const stagesOn = ({ printer, path, trimmer, board }: Tools) => ({
  ...(printer && path ? { print: pathKey(printer, path) } : {}),
  ...(trimmer ? { cut: trimmer } : {}),
  ...(board ? { crease: board } : {}),
});

async function findRows(db: Db, studioId: string, most: number): Promise<readonly LogRow[]> {
  const { rows } = await db.query<Omit<LogRow, 'events'> & { readonly lost: readonly RunEvent[] }>(
    `select r.id, r.job_id as "jobId", coalesce(r.document #>> '{brief,title}', '') as title,
       r.document #>> '{stock,stockId}' as "stockId", r.wanted, r.started_at as "startedAt",
       r.finished_at as "finishedAt", r.loss_costs as costs,
       jsonb_build_object('printer', r.document #> '{stock,printerId}', 'path', r.document #> '{stock,pathId}',
         'trimmer', r.document #> '{cut,trimmerId}', 'board', r.document #> '{crease,boardId}') as tools,
       coalesce((select jsonb_agg(jsonb_build_object('id', s->'id', 'kind', s->'kind'))
         from jsonb_array_elements(r.steps) s), '[]') as steps,
       coalesce((select sum(e.cards) from run_events e where e.studio_id = r.studio_id and e.run_id = r.id
           and e.kind = 'good' and ${STANDING}), 0)::integer as good,
       coalesce((select jsonb_agg(jsonb_build_object('id', e.id, 'kind', e.kind, 'cards', e.cards, 'cause', e.cause,
         'stepId', e.step_id, 'undoes', null, 'at', null, 'detail', e.detail) order by e.at, e.id)
         from run_events e where e.studio_id = r.studio_id and e.run_id = r.id
           and e.kind in ('spoiled', 'note') and ${STANDING}), '[]') as lost
     from runs r where r.studio_id = $1 order by r.started_at desc, r.id limit $2`,
    [studioId, most],
  );
  return rows.map(({ lost, ...row }) => ({ ...row, events: [allGood(row.good), ...lost] }));
}

/** Added up where they are kept: a press a card would be thousands to read. */
const allGood = (cards: number): RunEvent => ({
  ...{ id: 'good', kind: 'good', cards, cause: null, stepId: null, undoes: null, at: null },
});

/** The newest runs as the log shows them, the last first. */
export async function findLogged(db: Db, studioId: string, most: number): Promise<readonly LoggedRunRow[]> {
  return (await findRows(db, studioId, most)).map(({ startedAt, finishedAt, tools, steps, events, ...row }) => {
    const { spoiled } = countRun(events);
    return {
      ...row,
      ...{ spoiled, tools: stagesOn(tools), notes: notesOf(events).map(({ about, text }) => ({ about, text })) },
      startedAt: startedAt.toISOString(),
      finishedAt: finishedAt?.toISOString() ?? null,
      losses: notUndone(events).flatMap((event) =>
        event.kind === 'spoiled'
          ? [{ stage: lostAt(event, steps), cause: event.cause ?? 'other', cards: event.cards }]
          : [],
      ),
    };
  });
}
