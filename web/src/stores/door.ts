import { create } from 'zustand';
import type { Workshop } from '@zippy/core';
import type { StudioDoor } from '@zippy/core/contract';
import { api, Away } from '../api/client.ts';
import { beIn } from '../api/studio.ts';
import { growingPauses } from './tryAgain.ts';

interface DoorState {
  /** Null until the server has said. */
  readonly studios: readonly StudioDoor[] | null;
  /** The studio of this page; null while nobody has chosen one. */
  readonly here: StudioDoor | null;
  readonly problem: string | null;
  load(): Promise<void>;
  /** Goes into another studio, or a first one. @throws in a sentence where the server will not have it */
  enter(studioId: string): Promise<void>;
  setUp(workshop: Omit<Workshop, 'spoilLog'>): Promise<void>;
}

const pauses = growingPauses();

/** The whole page begins anew, so that nothing of one studio is ever drawn or sent in another. */
const beginAnew = (): void => window.location.assign('/');

/** Which studios there are, and the one that this page is in. */
export const useDoor = create<DoorState>()((set, get) => ({
  studios: null,
  here: null,
  problem: null,

  async load() {
    try {
      const { studios } = await api.studios();
      const here = studios.find(({ entered }) => entered) ?? null;
      if (here) beIn(here.id);
      set({ studios, here, problem: null });
    } catch (problem) {
      if (!(problem instanceof Away)) throw problem;
      set({ problem: problem.message });
      setTimeout(() => void get().load(), pauses.next());
    }
  },

  async enter(studioId) {
    await api.enterStudio(studioId);
    beginAnew();
  },

  async setUp(workshop) {
    await api.setUpStudio(crypto.randomUUID(), workshop);
    beginAnew();
  },
}));
