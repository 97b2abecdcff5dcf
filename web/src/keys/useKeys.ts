import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { STATIONS, type Station } from '@zippy/core';
import { jobKeyOf } from './table.ts';
import { useJob } from '../stores/job.ts';
import { useView } from '../stores/view/index.ts';
import { useWorkshop } from '../stores/workshop.ts';

/** Keys belong to the bench only while nothing is being typed or chosen. */
export function isBusy(target: EventTarget | null): boolean {
  return (
    target instanceof Element &&
    target.closest('input, textarea, select, [contenteditable], [role="listbox"], [role="dialog"], [role="slider"]') !==
      null
  );
}

/** Turn over, hold to the light, change the unit: wherever a piece lies on a bench without a job round it. */
export function useBenchKeys(): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (
        event.defaultPrevented ||
        event.altKey ||
        event.ctrlKey ||
        event.metaKey ||
        event.repeat ||
        isBusy(event.target)
      )
        return;
      const key = event.key.toLowerCase();
      if (key === 't') useView.getState().turnOver();
      else if (key === 'l') useView.getState().toggleLight();
      else if (key === 'u') useWorkshop.getState().toggleUnit();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

/** One-key ways about a job; the list that `?` shows is made from the same table. */
export function useJobKeys(jobId: string, showHelp: () => void): void {
  const navigate = useNavigate();
  useEffect(() => {
    const go = (to: Station | undefined): void => {
      if (to) void navigate(`/jobs/${jobId}/${to}`);
    };
    // Read at the press: two quick presses go two stations, even before the first is drawn.
    const next = (by: 1 | -1): Station | undefined =>
      STATIONS[STATIONS.findIndex((name) => window.location.pathname.endsWith(`/${name}`)) + by];
    const onKey = (event: KeyboardEvent): void => {
      if (event.defaultPrevented || event.altKey || isBusy(event.target)) return;
      const known = jobKeyOf(event);
      if (!known) return;
      const act = known.act(event.key.toLowerCase());
      // Held down, only steps back and on go on: what turns over would turn over and over.
      if (event.repeat && act.kind !== 'undo' && act.kind !== 'redo') return;
      event.preventDefault();
      switch (act.kind) {
        case 'station':
          return go(act.station);
        case 'step':
          return go(next(act.by));
        case 'undo':
          return useJob.getState().undo();
        case 'redo':
          return useJob.getState().redo();
        case 'turnOver':
          return useView.getState().turnOver();
        case 'light':
          return useView.getState().toggleLight();
        case 'open':
          return useView.getState().toggleOpen();
        case 'drift':
          return useView.getState().toggleDrift();
        case 'unit':
          return useWorkshop.getState().toggleUnit();
        case 'help':
          return showHelp();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [jobId, navigate, showHelp]);
}
