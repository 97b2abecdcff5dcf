import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { decide, changeJob, type Job } from '@zippy/core';
import { sendAllKept, useJob } from '../../src/stores/job.ts';
import type { KeptJob } from '../../src/stores/keptJobs.ts';
import { kept } from '../../src/stores/local.ts';
import { aJob, PretendServer, until } from '../support.ts';

describe('the job store', () => {
  let server: PretendServer;
  let id: string;
  const titled = (title: string, key?: string): void =>
    useJob.getState().change([decide((job) => job.brief.title, title)], key);
  const title = (): string => useJob.getState().job!.brief.title;
  const state = () => useJob.getState().save;
  const saved = (): Promise<void> => until(() => state() === 'saved', 'the save');
  const onServer = () => server.jobs.get(id)!;

  beforeEach(async () => {
    server = new PretendServer();
    server.install();
    id = crypto.randomUUID();
    server.jobs.set(id, { version: 1, document: aJob() });
    useJob.setState({ id: null, job: null });
    await useJob.getState().open(id);
  });
  afterEach(async () => {
    server.away = false;
    server.release?.();
    useJob.getState().close();
    await sendAllKept();
    for (const name of await kept.names()) await kept.remove(name);
  });

  it('saves by itself and keeps nothing behind', async () => {
    titled('Flood');
    expect(state()).to.equal('unsaved');
    await saved();
    expect(onServer()).to.deep.include({ version: 2 });
    expect(onServer().document.brief.title).to.equal('Flood');
    expect(await kept.names()).to.deep.equal([]);
  });

  it('sends one save for a burst of typing', async () => {
    for (const text of ['F', 'Fl', 'Flo', 'Flood']) titled(text, 'title');
    await saved();
    expect(onServer().version).to.equal(2);
    expect(useJob.getState().past).to.have.length(1);
  });

  it('saves what was typed while a save was on its way', async () => {
    server.hold();
    titled('Flood');
    await until(() => state() === 'saving', 'the first save to leave');
    titled('Spring tide');
    server.release!();
    await saved();
    expect(onServer().document.brief.title).to.equal('Spring tide');
    expect(onServer().version).to.equal(3);
  });

  it('saves what was typed after the answer, while this browser was slow to put away what it had kept', async () => {
    const { remove } = kept;
    let putAway: (() => void) | undefined;
    kept.remove = async (name) => {
      await new Promise<void>((done) => (putAway = done));
      await remove(name);
    };
    try {
      titled('Flood');
      await until(() => putAway !== undefined, 'the first save to be answered');
      titled('Spring tide');
      // Longer than the pause after which it would be sent.
      await new Promise((done) => setTimeout(done, 500));
    } finally {
      kept.remove = remove;
      putAway?.();
    }
    await saved();
    expect(onServer().document.brief.title).to.equal('Spring tide');
  });

  it('sends what was typed while an earlier save was refused', async () => {
    server.hold();
    titled('refuse me');
    await until(() => state() === 'saving', 'the first save to leave');
    titled('Right');
    await new Promise((done) => setTimeout(done, 500));
    server.release!();
    await saved();
    expect(onServer().document.brief.title).to.equal('Right');
  });

  it('undoes, does again, and forgets the other branch when something new is typed', async () => {
    titled('One');
    titled('Two');
    useJob.getState().undo();
    expect(title()).to.equal('One');
    useJob.getState().redo();
    expect(title()).to.equal('Two');
    useJob.getState().undo();
    titled('Three');
    expect(useJob.getState().future).to.deep.equal([]);
    useJob.getState().undo();
    expect(title()).to.equal('One');
    useJob.getState().undo();
    useJob.getState().undo();
    expect(title()).to.equal('Ebb');
    await saved();
  });

  it('keeps edits here while the server is away and sends them when it is back', async () => {
    server.away = true;
    titled('Typed in the dark');
    await until(() => state() === 'away', 'the store to notice');
    expect((await kept.names()).map((name) => name.split(':')[1])).to.deep.equal([id]);
    server.away = false;
    await saved();
    expect(onServer().document.brief.title).to.equal('Typed in the dark');
  });

  it('sends again what failed on the server’s side, and says its reason until it went through', async () => {
    server.failing = { status: 507, message: 'The disk is full.' };
    titled('Typed on a full disk');
    await until(() => state() === 'away', 'the store to notice');
    expect(useJob.getState().refusal).to.equal('The disk is full.');
    const calls = server.calls;
    await until(() => server.calls > calls, 'another try');
    server.failing = null;
    await saved();
    expect([onServer().document.brief.title, useJob.getState().refusal]).to.deep.equal(['Typed on a full disk', null]);
  });

  it('finds them again after the page was closed', async () => {
    server.away = true;
    titled('Closed in a hurry');
    await until(() => state() === 'away', 'the store to notice');
    useJob.getState().close();
    server.away = false;
    await useJob.getState().open(id);
    expect(title()).to.equal('Closed in a hurry');
    await saved();
    expect(onServer().document.brief.title).to.equal('Closed in a hurry');
  });

  it('opens what is kept here even while the server is away', async () => {
    server.away = true;
    titled('Still here');
    await until(() => state() === 'away', 'the store to notice');
    useJob.getState().close();
    await useJob.getState().open(id);
    expect(title()).to.equal('Still here');
    expect(state()).to.equal('away');
  });

  it('sends the last words of a job that is left before they are saved', async () => {
    titled('Last words');
    useJob.getState().close();
    await sendAllKept();
    expect(onServer().document.brief.title).to.equal('Last words');
    expect(await kept.names()).to.deep.equal([]);
  });

  it('does not quarrel with itself when it is left in the middle of a save', async () => {
    server.hold();
    titled('First');
    await until(() => state() === 'saving', 'the first save to leave');
    titled('Second');
    useJob.getState().close();
    server.release!();
    await useJob.getState().open(id);
    expect(state()).not.to.equal('conflict');
    expect(title()).to.equal('Second');
    await until(() => onServer().document.brief.title === 'Second', 'the second save');
  });

  describe('when two were changed at once', () => {
    beforeEach(async () => {
      server.jobs.set(id, { version: 2, document: aJob('Theirs') });
      titled('Mine');
      await until(() => state() === 'conflict', 'the conflict');
    });

    it('shows both', () => {
      expect(title()).to.equal('Mine');
      expect(useJob.getState().clashes).to.deep.equal([
        { key: 'brief/title', place: ['brief', 'title'], mine: 'Mine', theirs: 'Theirs' },
      ]);
    });
    it('goes on with mine', async () => {
      useJob.getState().settleClashes(new Set());
      await saved();
      expect(onServer().document.brief.title).to.equal('Mine');
      expect(server.jobs.size).to.equal(1);
    });
    it('goes on with theirs, and undo brings mine back', async () => {
      useJob.getState().settleClashes(new Set(['brief/title']));
      expect(title()).to.equal('Theirs');
      expect(state()).to.equal('saved');
      useJob.getState().undo();
      await saved();
      expect(onServer().document.brief.title).to.equal('Mine');
    });
    it('goes on with mine and keeps theirs beside it as a job of its own', async () => {
      await useJob.getState().keepBoth();
      await saved();
      expect([...server.jobs.values()].map((j) => j.document.brief.title)).to.have.members([
        'Mine',
        'Theirs (other copy)',
      ]);
    });
    it('still asks after the page was closed without choosing', async () => {
      useJob.getState().close();
      await useJob.getState().open(id);
      expect(state()).to.equal('conflict');
      expect(title()).to.equal('Mine');
    });
  });

  describe('when two changed different things at once', () => {
    const wanted = (job: Job): number => job.brief.wanted;
    /** What another tab saved: so many cards of the job that the server had. */
    const elsewhere = (count: number): void => {
      const { version, document } = onServer();
      server.jobs.set(id, {
        version: version + 1,
        document: changeJob(document, [decide((job) => job.brief.wanted, count)]),
      });
    };

    it('joins them and asks nobody', async () => {
      elsewhere(77);
      titled('Mine');
      await saved();
      expect(onServer().document.brief).to.include({ title: 'Mine', wanted: 77 });
      expect(wanted(useJob.getState().job!)).to.equal(77);
    });
    it('undo takes back what was done here, and leaves what was done elsewhere', async () => {
      const before = title();
      titled('Mine', 'a');
      elsewhere(77);
      await saved();
      useJob.getState().undo();
      await saved();
      expect(onServer().document.brief).to.include({ title: before, wanted: 77 });
      useJob.getState().redo();
      await saved();
      expect(onServer().document.brief).to.include({ title: 'Mine', wanted: 77 });
    });
    it('joins what was typed while the server was away, over a reload', async () => {
      server.away = true;
      titled('Typed while away');
      await until(() => state() === 'away', 'the store to notice');
      useJob.getState().close();
      server.away = false;
      elsewhere(78);
      await useJob.getState().open(id);
      await saved();
      expect(onServer().document.brief).to.include({ title: 'Typed while away', wanted: 78 });
    });
    it('joins what was left behind from the wall too, and leaves what must be asked', async () => {
      const base = onServer().document;
      const left = (value: string): Promise<void> =>
        kept.set(`job:${id}:a-tab-long-gone`, {
          ...{ base, baseVersion: 1 },
          job: changeJob(base, [decide((job) => job.brief.title, value)]),
        });
      useJob.getState().close();
      await left('Left behind');
      elsewhere(79);
      await sendAllKept();
      expect(onServer().document.brief).to.include({ title: 'Left behind', wanted: 79 });
      expect(await kept.names()).to.deep.equal([]);
      await left('Left behind again');
      await sendAllKept();
      expect(onServer().document.brief.title).to.equal('Left behind');
      expect(await kept.names()).to.have.length(1);
    });
    it('knows what it had sent for its own after a reload that came before the answer, and words typed since', async () => {
      server.hold();
      titled('Sent, and the page gone');
      await until(() => state() === 'saving', 'the save to leave');
      const sent = useJob.getState().job!;
      titled('Typed since');
      const record = async () => (await Promise.all((await kept.names()).map((name) => kept.get<KeptJob>(name))))[0];
      for (let tries = 0; tries < 200 && (await record())?.job.brief.title !== 'Typed since'; tries += 1)
        await new Promise((done) => setTimeout(done, 10));
      const left = (await record())!;
      server.release!();
      await saved();
      useJob.getState().close();
      for (const name of await kept.names()) await kept.remove(name);
      // The page that is gone had come no further than that; the server has what was sent, and the next page finds both.
      server.jobs.set(id, { version: 2, document: sent });
      await kept.set(`job:${id}:a-tab-long-gone`, left);
      await useJob.getState().open(id);
      await saved();
      expect(useJob.getState().clashes).to.deep.equal([]);
      expect(onServer().document.brief.title).to.equal('Typed since');
    });
    it('does not take an answer that was lost, and words typed since, for somebody else', async () => {
      server.losing = true;
      titled('Arrived, unheard');
      await until(() => state() === 'away', 'the store to notice');
      server.losing = false;
      titled('Typed since');
      await saved();
      expect(onServer().document.brief.title).to.equal('Typed since');
      expect(state()).to.equal('saved');
    });
  });

  it('says what the server will not take, keeps it, and goes on once it is mended', async () => {
    titled('refuse me');
    await until(() => state() === 'refused', 'the refusal');
    expect(useJob.getState().refusal).to.equal('brief.title wants another.');
    expect(title()).to.equal('refuse me');
    titled('Better');
    await saved();
    expect(onServer().document.brief.title).to.equal('Better');
  });

  it('settles before a file is written', async () => {
    titled('For the printer');
    expect(await useJob.getState().settle()).to.be.true;
    expect(onServer().document.brief.title).to.equal('For the printer');
    server.away = true;
    titled('Too late');
    expect(await useJob.getState().settle()).to.be.false;
  });

  it('takes over what a tab that is gone has left behind', async () => {
    useJob.getState().close();
    await kept.set(`job:${id}:a-tab-long-gone`, { job: aJob('Left behind'), baseVersion: 1 });
    await useJob.getState().open(id);
    expect(title()).to.equal('Left behind');
    await saved();
    expect(onServer().document.brief.title).to.equal('Left behind');
    // Taking the kept copy away is the last thing that saving does, a moment after it is said to be saved.
    for (let tries = 0; tries < 200 && (await kept.names()).length > 0; tries += 1)
      await new Promise((done) => setTimeout(done, 10));
    expect(await kept.names()).to.deep.equal([]);
  });

  it('takes a lost answer for what it is, not for somebody else', async () => {
    titled('Arrived after all');
    await until(() => state() === 'unsaved', 'the change');
    // The server took it, but the answer never came back.
    server.jobs.set(id, { version: 2, document: useJob.getState().job! });
    await saved();
    expect(useJob.getState().version).to.equal(2);
    expect(useJob.getState().theirs).to.equal(null);
  });

  it('never brings an old job back: typing all the while it is saved, then a reload', async () => {
    for (let i = 0; i < 40; i += 1) {
      titled(`Letter ${i}`, 'title');
      await new Promise((done) => setTimeout(done, (i * 7) % 23));
      if (i % 9 === 4) void useJob.getState().settle();
    }
    await saved();
    expect(await kept.names()).to.deep.equal([]);
    useJob.getState().close();
    await useJob.getState().open(id);
    expect(title()).to.equal('Letter 39');
    expect(state()).to.equal('saved');
  });

  it('says so when there is no such job', async () => {
    await useJob.getState().open(crypto.randomUUID());
    expect(useJob.getState().missing).to.equal('There is no such job.');
  });
});
