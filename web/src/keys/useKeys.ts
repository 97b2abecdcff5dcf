import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { STATIONS, type Station } from '@zippy/core';
import { useJob } from '../stores/job.ts';
import { useView } from '../stores/view.ts';
import { useWorkshop } from '../stores/workshop.ts';

/** Keys belong to the bench only while nothing is being typed or chosen. */
function isBusy(target: EventTarget | null): boolean {
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
      if (event.defaultPrevented || event.altKey || event.ctrlKey || event.metaKey || isBusy(event.target)) return;
      const key = event.key.toLowerCase();
      if (key === 't') useView.getState().turnOver();
      else if (key === 'l') useView.getState().toggleLight();
      else if (key === 'u') useWorkshop.getState().toggleUnit();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

/** One-key ways about a job; the list that `?` shows is made from the same place. */
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
      if (event.defaultPrevented || event.altKey) return;
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
        if (isBusy(event.target)) return;
        event.preventDefault();
        if (event.shiftKey) useJob.getState().redo();
        else useJob.getState().undo();
        return;
      }
      if (event.ctrlKey || event.metaKey || isBusy(event.target)) return;
      if (/^[0-9]$/.test(event.key)) return go(STATIONS[(Number(event.key) + 9) % 10]);
      switch (event.key) {
        case ',':
          return go(next(-1));
        case '.':
          return go(next(1));
        case 't':
        case 'T':
          return useView.getState().turnOver();
        case 'l':
        case 'L':
          return useView.getState().toggleLight();
        case 'o':
        case 'O':
          return useView.getState().toggleOpen();
        case 'd':
        case 'D':
          return useView.getState().toggleDrift();
        case 'u':
        case 'U':
          return useWorkshop.getState().toggleUnit();
        case '?':
          return showHelp();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [jobId, navigate, showHelp]);
}
