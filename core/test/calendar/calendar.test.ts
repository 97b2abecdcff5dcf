import { expect } from 'chai';
import fc from 'fast-check';
import ICAL from 'ical.js';
import { dayAt, dayNumber, endOfDay, eveningsFrom, weekdayOf } from '../../src/calendar/evenings.ts';
import { iCalendar } from '../../src/calendar/iCalendar.ts';
import { jobWork } from '../../src/calendar/jobWork.ts';
import { outlook } from '../../src/calendar/outlook.ts';
import { lateAtLeast, schedule, startBy } from '../../src/calendar/schedule.ts';
import { sayLate } from '../../src/calendar/sayLate.ts';
import { simulate } from '../../src/calendar/simulate.ts';
import { STAGES, type Evening, type JobWork, type StageWork } from '../../src/calendar/types.ts';
import { decide } from '../../src/job/decide.ts';
import { USUAL_TIMES } from '../../src/workshop/calendar.ts';
import { inkedWith, plan, sized } from '../support.ts';

const ONE = { hands: 1, racks: 9 };
/** An evening of so many minutes a day from day nought on, from 19:00. */
const evenings = (minutes: number, days = 200): readonly Evening[] =>
  Array.from({ length: days }, (_, i) => ({ day: `d${i}`, from: i * 1440 + 1140, to: i * 1440 + 1140 + minutes }));
const work = (jobId: string, minutes: number, part: Partial<JobWork> = {}): JobWork => ({
  ...{ jobId, title: jobId, dueAt: null, notBefore: 0 },
  stages: [{ stage: 'cut', minutes, waitMinutes: 0, printerId: null }],
  ...part,
});
const print = (minutes: number, waitMinutes: number, printerId = 'gull'): StageWork => ({
  ...{ stage: 'print', minutes, waitMinutes, printerId },
});
const bench = (stage: StageWork['stage'], minutes: number): StageWork => ({
  stage,
  minutes,
  waitMinutes: 0,
  printerId: null,
});

describe('evenings', () => {
  it('are those of the week, save days that differ; of today what is left', () => {
    // 1 April 2026 is a Wednesday.
    expect(weekdayOf(dayNumber('2026-04-01'))).to.equal(2);
    const now = dayNumber('2026-04-01') * 1440 + 1200;
    const times = {
      ...USUAL_TIMES,
      exceptions: [
        { day: '2026-04-02', minutes: 0 },
        { day: '2026-04-03', minutes: 30 },
      ],
    };
    expect(eveningsFrom(times, now, 5).map(({ day, from, to }) => [day, from % 1440, to - from])).to.deep.equal([
      ['2026-04-01', 1200, 60],
      ['2026-04-03', 1140, 30],
      ['2026-04-04', 1140, 180],
    ]);
    expect(dayAt(endOfDay('2026-04-01') - 1)).to.equal('2026-04-01');
  });
});

describe('a course of work', () => {
  it('is worked by hand: two jobs, ink that dries over night, one pair of hands', () => {
    const regatta = work('regatta', 0, { stages: [print(40, 120), bench('cut', 50)] });
    const heron = work('heron', 60);
    const { blocks, jobs } = simulate([regatta, heron], evenings(120), ONE);
    // Prints until 19:40, then the other until 20:40; its ink is dry at 21:40, when the evening is over since 21:00.
    expect(blocks.map(({ jobId, from, to }) => [jobId, from, to])).to.deep.equal([
      ['regatta', 1140, 1180],
      ['heron', 1180, 1240],
      ['regatta', 2580, 2630],
    ]);
    expect(jobs.map(({ beginsAt, endsAt }) => [beginsAt, endsAt])).to.deep.equal([
      [1140, 2630],
      [1180, 1240],
    ]);
  });

  it('puts work down for what is earlier in the list as soon as that can go on', () => {
    const first = work('first', 0, { stages: [print(10, 30), bench('cut', 20)] });
    const { blocks } = simulate([first, work('second', 60)], evenings(120), ONE);
    expect(blocks.map(({ jobId, from, to }) => [jobId, from - 1140, to - 1140])).to.deep.equal([
      ['first', 0, 10],
      ['second', 10, 40],
      ['first', 40, 60],
      ['second', 60, 90],
    ]);
  });

  it('keeps hands, printers, bench, order, drying and racks, whatever the jobs are', () => {
    const stage = fc.record({ minutes: fc.integer({ min: 1, max: 150 }), waitMinutes: fc.constantFrom(0, 0, 30, 600) });
    const any = fc.array(fc.tuple(fc.array(stage, { minLength: 1, maxLength: 5 }), fc.constantFrom('gull', 'tern')), {
      minLength: 1,
      maxLength: 9,
    });
    fc.assert(
      fc.property(any, fc.integer({ min: 1, max: 3 }), fc.integer({ min: 1, max: 3 }), (list, hands, racks) => {
        const jobs = list.map(([stages, printerId], i) =>
          work(`j${i}`, 0, {
            stages: stages.map((one, k) => ({ ...one, stage: STAGES[k]!, printerId: k === 0 ? printerId : null })),
          }),
        );
        const free = evenings(120);
        const { blocks, jobs: times } = simulate(jobs, free, { hands, racks });
        const moments = [...new Set(blocks.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b);
        for (const [i, from] of moments.slice(0, -1).entries()) {
          const middle = (from + moments[i + 1]!) / 2;
          const now = blocks.filter((one) => one.from < middle && one.to > middle);
          expect(now.length).to.be.at.most(hands);
          expect(new Set(now.map(({ jobId }) => jobId)).size).to.equal(now.length);
          const places = now.map(
            ({ jobId, stage: at }) =>
              jobs.find((job) => job.jobId === jobId)!.stages.find((s) => s.stage === at)!.printerId ?? 'bench',
          );
          expect(new Set(places).size).to.equal(places.length);
          if (now.length > 0) expect(free.some((one) => one.from <= middle && one.to >= middle)).to.equal(true);
          // On a rack from the first sheet printed until it is dry.
          const onRacks = jobs.filter((job) => {
            const own = blocks.filter((one) => one.jobId === job.jobId && one.stage === 'print');
            return own.length > 0 && own[0]!.from < middle && own.at(-1)!.to + job.stages[0]!.waitMinutes > middle;
          });
          expect(onRacks.length).to.be.at.most(racks);
        }
        for (const job of jobs) {
          let ready = 0;
          for (const { stage: at, minutes, waitMinutes } of job.stages) {
            const own = blocks.filter((one) => one.jobId === job.jobId && one.stage === at);
            expect(own.reduce((sum, one) => sum + one.to - one.from, 0)).to.be.closeTo(minutes, 0.01);
            expect(own[0]!.from).to.be.at.least(ready - 0.01);
            ready = own.at(-1)!.to + waitMinutes;
          }
          expect(times.find(({ jobId }) => jobId === job.jobId)!.endsAt).to.be.closeTo(ready, 0.01);
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('a schedule', () => {
  const any = fc.array(
    fc.record({
      dry: fc.constantFrom(0, 60, 900),
      printing: fc.integer({ min: 5, max: 60 }),
      cutting: fc.integer({ min: 5, max: 150 }),
      due: fc.option(fc.integer({ min: 1, max: 14 }), { nil: null }),
    }),
    { minLength: 1, maxLength: 6 },
  );
  type Drawn = { dry: number; printing: number; cutting: number; due: number | null };
  const made = (list: readonly Drawn[]): readonly JobWork[] =>
    list.map(({ dry, printing, cutting, due }, i) =>
      work(`j${i}`, 0, {
        stages: [print(printing, dry), bench('cut', cutting)],
        dueAt: due === null ? null : due * 1440,
      }),
    );

  it('leaves the latest job no later than any other order would: every one of them tried', () => {
    const orders = <T>(list: readonly T[]): readonly (readonly T[])[] =>
      list.length < 2 ? [list] : list.flatMap((one, i) => orders(list.toSpliced(i, 1)).map((rest) => [one, ...rest]));
    let [worse, all] = [0, 0];
    fc.assert(
      fc.property(any, (list) => {
        const jobs = made(list.slice(0, 5));
        const free = evenings(90);
        const found = schedule(jobs, free, ONE);
        const best = Math.min(
          ...orders(jobs).map((order) =>
            Math.max(0, ...simulate(order, free, ONE).jobs.map(({ lateMinutes }) => lateMinutes)),
          ),
        );
        expect(found.mostLateAtLeast).to.be.at.most(best + 1e-6);
        expect(found.mostLate).to.be.at.least(best - 1e-6);
        all += 1;
        if (found.mostLate > best + 1e-6) worse += 1;
      }),
      { numRuns: 80 },
    );
    expect(worse / all).to.be.below(0.05);
  });

  it('is the best there is for one pair of hands and work that can be put down: the bound itself', () => {
    fc.assert(
      fc.property(any, (list) => {
        const jobs = made(list).map((job, i) => ({ ...job, stages: [bench('cut', list[i]!.cutting)] }));
        const { mostLate, mostLateAtLeast } = schedule(jobs, evenings(60), ONE);
        expect(mostLate).to.be.closeTo(mostLateAtLeast, 1e-6);
      }),
      { numRuns: 60 },
    );
  });

  it('does not jump: the order that was in force stays when a day slips', () => {
    const jobs = made(Array.from({ length: 6 }, (_, i) => ({ dry: 60, printing: 20, cutting: 60, due: 4 + i })));
    const first = schedule(jobs, evenings(120), ONE);
    const slipped = schedule(jobs, evenings(120).slice(1), ONE, { before: first.order });
    expect(slipped.order).to.deep.equal(first.order);
  });

  it('begins nothing before its day', () => {
    const { jobs } = schedule([work('later', 30, { notBefore: 5 * 1440 })], evenings(60), ONE);
    expect(jobs[0]!.beginsAt).to.equal(5 * 1440 + 1140);
  });
});

describe('the day to begin by', () => {
  it('is worked by hand: an evening of printing, a night of drying, an evening at the bench', () => {
    // Due at the end of day 4 (minute 7200): cutting fills the last 50 minutes of that evening, printing 40 of the one before.
    const job = work('regatta', 0, { stages: [print(40, 600), bench('cut', 50)], dueAt: 5 * 1440 });
    const by = startBy([job], evenings(60), ONE).get('regatta')!;
    expect(by).to.equal(3 * 1440 + 1140 + 20);
    expect(startBy([work('free', 30)], evenings(60), ONE).get('free')).to.equal(null);
    expect(startBy([work('never', 61, { dueAt: 1440 })], evenings(60), ONE).get('never')).to.equal(null);
  });

  it('is early enough: begun then, and not before, every job is in time', () => {
    const jobs = [
      work('a', 0, { stages: [print(30, 90), bench('cut', 80)], dueAt: 6 * 1440 }),
      work('b', 0, { stages: [print(50, 700), bench('cut', 40), bench('pack', 20)], dueAt: 7 * 1440 }),
      work('c', 110, { dueAt: 9 * 1440 }),
    ];
    const by = startBy(jobs, evenings(100), ONE);
    const held = jobs.map((job) => ({ ...job, notBefore: by.get(job.jobId)! }));
    expect(schedule(held, evenings(100), ONE).mostLate).to.equal(0);
    for (const job of held)
      expect(lateAtLeast([{ ...job, notBefore: job.notBefore + 200 }], evenings(100), ONE), job.jobId).to.be.at.least(
        0,
      );
  });
});

describe('the outlook', () => {
  const now = dayNumber('2026-04-01') * 1440 + 900;
  const times = { ...USUAL_TIMES, weekMinutes: [0, 60, 60, 60, 0, 0, 0] };

  it('says what is late, by how much, and what would help', () => {
    // Wednesday, Thursday and Tuesday have an hour each; two hours are due on Wednesday.
    const jobs = [work('late', 120, { dueAt: endOfDay('2026-04-01') }), work('free', 30)];
    const { plan: found, jobs: outlooks, whatIfs } = outlook(jobs, times, now);
    expect(found.jobs[0]!.lateMinutes).to.equal(20 * 60);
    expect(outlooks[0]).to.deep.include({ startBy: null, shouldHaveBegun: true });
    expect(outlooks[0]!.lateShare).to.be.closeTo(1, 1e-9);
    expect(outlooks[1]).to.deep.include({ startBy: null, shouldHaveBegun: false, lateShare: 0 });
    // An evening on Friday comes too late; made outside, nothing is late.
    expect(whatIfs[0]).to.deep.include({ kind: 'outside', jobId: 'late', mostLate: 0, lateJobs: 0 });
  });

  it('names an evening where that helps', () => {
    const jobs = [work('late', 170, { dueAt: endOfDay('2026-04-03') })];
    const [first] = outlook(jobs, times, now).whatIfs;
    expect(first).to.deep.include({ kind: 'evening', day: '2026-04-03', mostLate: 0 });
  });

  it('is late as often as a lognormal says: one stage that fills its evenings to a half', () => {
    // Two hours until its day is over; 100 minutes stray by e^(0.25 z): late where z > ln 1.2 ÷ 0.25 = 0.7293, 23.3 %.
    const { jobs } = outlook([work('half', 100, { dueAt: endOfDay('2026-04-02') })], times, now);
    expect(jobs[0]!.lateShare).to.be.closeTo(0.233, 0.06);
    const sure = outlook([work('half', 100, { dueAt: endOfDay('2026-04-02') })], times, now, { strays: { cut: 0.01 } });
    expect(sure.jobs[0]!.lateShare).to.equal(0);
  });

  it('holds thirty jobs', () => {
    const jobs = Array.from({ length: 30 }, (_, i) =>
      work(`j${i}`, 0, {
        stages: [print(20 + (i % 7) * 5, 60), bench('cut', 30 + (i % 5) * 10), bench('pack', 15)],
        dueAt: endOfDay(`2026-05-${String(1 + i).padStart(2, '0')}`),
      }),
    );
    const { plan: found } = outlook(jobs, USUAL_TIMES, now);
    expect(found.jobs.every(({ endsAt }) => endsAt !== null)).to.equal(true);
    expect(found.mostLate).to.be.at.least(found.mostLateAtLeast);
  });
});

describe('how late', () => {
  it('is told in days that have begun, and of what no evening holds without a figure', () => {
    expect([60, 1440, 1441].map(sayLate)).to.deep.equal(['1 day late', '1 day late', '2 days late']);
    const never = schedule([work('never', 999, { dueAt: 1440 })], evenings(1, 3), ONE);
    expect(sayLate(never.jobs[0]!.lateMinutes)).to.equal('beyond the evenings that are looked at');
    expect(sayLate(never.mostLate)).to.equal('beyond the evenings that are looked at');
  });
});

describe('a job in the calendar', () => {
  it('has all of its minutes in stages, and waits while it dries', () => {
    const job = inkedWith(
      ...sized('sideFold', 96, 136),
      decide((job) => job.brief.dueDate, '2026-04-20'),
      decide((job) => job.make.dryMinutes, 90),
    );
    const planned = plan(job);
    const { stages, dueAt } = jobWork({ jobId: 'j', job, plan: planned });
    expect(stages.reduce((sum, { minutes }) => sum + minutes, 0)).to.be.closeTo(planned.make.workMinutes, 1e-9);
    expect(stages[0]).to.deep.include({ stage: 'print', waitMinutes: planned.make.waitMinutes, printerId: 'gull' });
    expect(dueAt).to.equal((dayNumber('2026-04-20') + 1) * 1440);
    expect(jobWork({ jobId: 'j', job, plan: planned, shareLeft: 0 }).stages).to.deep.equal([]);
    const slow = jobWork({ jobId: 'j', job, plan: planned, shareLeft: 0.5 }, { print: 2 }).stages;
    expect(slow[0]!.minutes).to.be.closeTo(stages[0]!.minutes, 1e-9);
    expect(slow[1]!.minutes).to.be.closeTo(stages[1]!.minutes / 2, 1e-9);
  });
});

describe('the calendar as a file', () => {
  it('is read by another program: evenings by the wall clock, days that are due, odd letters whole', () => {
    const now = dayNumber('2026-04-01') * 1440 + 900;
    const title = 'Tide; “tables”, a\\b and '.repeat(6);
    const jobs = [work('tide', 150, { title, dueAt: endOfDay('2026-04-09') })];
    const found = outlook(jobs, { ...USUAL_TIMES, weekMinutes: [60, 60, 60, 60, 60, 60, 60] }, now);
    const text = iCalendar(found, jobs, { studio: 'Saltmarsh Lane', made: '2026-04-01T15:00:00Z' });
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).to.be.at.most(75);
    const read = new ICAL.Component(ICAL.parse(text) as unknown[]);
    const events = read.getAllSubcomponents('vevent').map((event) => new ICAL.Event(event));
    expect(events.map(({ summary }) => summary)).to.deep.equal([title, title, title, `Due: ${title}`]);
    const [first, , third, due] = events;
    expect([first!.startDate.toString(), first!.endDate.toString()]).to.deep.equal([
      '2026-04-01T19:00:00',
      '2026-04-01T20:00:00',
    ]);
    expect(first!.startDate.zone).to.equal(ICAL.Timezone.localTimezone);
    expect(third!.endDate.toString()).to.equal('2026-04-03T19:30:00');
    expect([due!.startDate.toString(), due!.startDate.isDate]).to.deep.equal(['2026-04-09', true]);
    expect(new Set(events.map(({ uid }) => uid)).size).to.equal(4);
  });
});
