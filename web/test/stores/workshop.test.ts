import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { api } from '../../src/api/client.ts';
import { kept } from '../../src/stores/local.ts';
import { useWorkshop } from '../../src/stores/workshop.ts';
import { PretendServer, until, workshop } from '../support.ts';

describe('the workshop store', () => {
  let server: PretendServer;
  beforeEach(async () => {
    await kept.remove('workshop');
    server = new PretendServer();
    server.install();
    useWorkshop.setState({ workshop: null, version: 0, problem: null });
    await useWorkshop.getState().load();
  });
  const hourly = (minor: number): Promise<void> =>
    useWorkshop.getState().change({ ...useWorkshop.getState().workshop!, hourlyMinor: minor });

  it('saves a change and keeps nothing behind', async () => {
    await hourly(1600);
    expect(server.workshop).to.deep.include({ version: 2 });
    expect(server.workshop.workshop.hourlyMinor).to.equal(1600);
    expect(await kept.names()).not.to.include('workshop');
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
    useWorkshop.setState({ workshop: null, version: 0, problem: null });
    await useWorkshop.getState().load();
    expect(useWorkshop.getState().workshop!.hourlyMinor).to.equal(1800);
    await until(() => server.workshop.workshop.hourlyMinor === 1800, 'the change to arrive');
  });

  it('shows the other copy and says so when somebody else was first', async () => {
    server.workshop = { workshop: { ...workshop, hourlyMinor: 2000 }, version: 5 };
    await hourly(1500);
    expect(useWorkshop.getState().workshop!.hourlyMinor).to.equal(2000);
    expect(useWorkshop.getState().problem).to.match(/changed somewhere else/);
    await hourly(1500);
    expect(server.workshop.workshop.hourlyMinor).to.equal(1500);
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
    expect(await kept.names()).to.include('workshop');
    await hourly(1950);
    expect(server.workshop.workshop.hourlyMinor).to.equal(1950);
    expect(useWorkshop.getState().problem).to.equal(null);
    expect(await kept.names()).not.to.include('workshop');
  });
});
