import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { api } from '../../src/api/client.ts';
import { kept } from '../../src/stores/local.ts';
import { useWorkshop } from '../../src/stores/workshop.ts';
import { PretendServer, until, workshop } from '../support.ts';

describe('the workshop store', () => {
  let server: PretendServer;
  beforeEach(async () => {
    for (const name of await kept.names()) await kept.remove(name);
    server = new PretendServer();
    server.install();
    await reload();
  });
  const reload = (): Promise<void> => {
    useWorkshop.setState({ workshop: null, base: undefined, version: 0, problem: null, theirs: null, clashes: [] });
    return useWorkshop.getState().load();
  };
  const hourly = (minor: number): Promise<void> =>
    useWorkshop.getState().change({ ...useWorkshop.getState().workshop!, hourlyMinor: minor });

  it('saves a change and keeps nothing behind', async () => {
    await hourly(1600);
    expect(server.workshop).to.deep.include({ version: 2 });
    expect(server.workshop.workshop.hourlyMinor).to.equal(1600);
    expect(await kept.names()).to.deep.equal([]);
  });

  it('does not race itself when two changes come at once', async () => {
    await Promise.all([hourly(1600), hourly(1700)]);
    await until(() => server.workshop.workshop.hourlyMinor === 1700, 'the second change');
    expect(useWorkshop.getState().problem).to.equal(null);
  });

  it('changes the unit and nothing else', async () => {
    useWorkshop.getState().toggleUnit();
    await until(() => server.workshop.workshop.unit === 'in', 'the unit');
    expect({ ...server.workshop.workshop, unit: 'mm' }).to.deep.equal(workshop);
  });

  it('keeps a change while the server is away, also over a reload', async () => {
    server.away = true;
    await hourly(1800);
    expect(useWorkshop.getState().problem).to.match(/away/);
    expect(useWorkshop.getState().workshop!.hourlyMinor).to.equal(1800);
    server.away = false;
    await reload();
    expect(useWorkshop.getState().workshop!.hourlyMinor).to.equal(1800);
    await until(() => server.workshop.workshop.hourlyMinor === 1800, 'the change to arrive');
  });

  it('joins what two tabs changed, each its own thing, and asks nobody', async () => {
    server.workshop = { workshop: { ...workshop, hourlyMinor: 2000, spoilLog: { good: 9, spoiled: 1 } }, version: 5 };
    useWorkshop.getState().toggleUnit();
    await until(() => server.workshop.version === 6, 'the joined workshop');
    expect(server.workshop.workshop).to.include({ hourlyMinor: 2000, unit: 'in' });
    expect(useWorkshop.getState().workshop!.spoilLog).to.deep.equal({ good: 9, spoiled: 1 });
    expect(useWorkshop.getState().problem).to.equal(null);
  });

  it('shows both where the same thing was changed twice, keeps mine meanwhile, and does as it is told', async () => {
    server.workshop = { workshop: { ...workshop, hourlyMinor: 2000, unit: 'in' }, version: 5 };
    await hourly(1500);
    const state = useWorkshop.getState();
    expect(state.clashes).to.deep.equal([{ key: 'hourlyMinor', place: ['hourlyMinor'], mine: 1500, theirs: 2000 }]);
    expect(state.workshop!.hourlyMinor).to.equal(1500);
    // Over a reload it is asked again.
    await reload();
    expect(useWorkshop.getState().clashes).to.have.length(1);
    await useWorkshop.getState().settleClashes(new Set());
    expect(server.workshop).to.deep.include({ version: 6 });
    expect(server.workshop.workshop).to.include({ hourlyMinor: 1500, unit: 'in' });
    server.workshop = { workshop: { ...server.workshop.workshop, hourlyMinor: 2100 }, version: 7 };
    await hourly(1400);
    await useWorkshop.getState().settleClashes(new Set(['hourlyMinor']));
    expect(useWorkshop.getState().workshop!.hourlyMinor).to.equal(2100);
    expect(server.workshop.version).to.equal(7);
    expect(await kept.names()).to.deep.equal([]);
  });

  it('takes up what several tabs that are gone had not sent, each joined with the rest', async () => {
    const left = (tab: string, part: Partial<typeof workshop>): Promise<void> =>
      kept.set(`workshop:own:${tab}`, { workshop: { ...workshop, ...part }, base: workshop, baseVersion: 1 });
    await left('gone-1', { hourlyMinor: 1234 });
    await left('gone-2', { currency: 'EUR' });
    server.workshop = { workshop: { ...workshop, unit: 'in' }, version: 4 };
    await reload();
    await until(() => server.workshop.version === 6, 'both to arrive');
    expect(server.workshop.workshop).to.include({ hourlyMinor: 1234, currency: 'EUR', unit: 'in' });
    expect(useWorkshop.getState().workshop).to.include({ hourlyMinor: 1234, currency: 'EUR', unit: 'in' });
    expect(await kept.names()).to.deep.equal([]);
  });

  it('does not take an answer that was lost for somebody else', async () => {
    server.losing = true;
    await hourly(1810);
    server.losing = false;
    await hourly(1820);
    await until(() => server.workshop.workshop.hourlyMinor === 1820, 'the change to arrive');
    expect(useWorkshop.getState().clashes).to.have.length(0);
  });

  it('sends the next change though one went wrong in a way nobody foresaw', async () => {
    const { saveWorkshop } = api;
    api.saveWorkshop = () => Promise.reject(new RangeError('an answer that makes no sense'));
    let heard: unknown = null;
    await hourly(1900).catch((problem: unknown) => (heard = problem));
    api.saveWorkshop = saveWorkshop;
    // It is said, and not swallowed.
    expect(heard).to.be.instanceOf(RangeError);
    expect(useWorkshop.getState().problem).to.equal('an answer that makes no sense');
    expect(await kept.names()).to.have.length(1);
    await hourly(1950);
    expect(server.workshop.workshop.hourlyMinor).to.equal(1950);
    expect(useWorkshop.getState().problem).to.equal(null);
    expect(await kept.names()).to.deep.equal([]);
  });
});
