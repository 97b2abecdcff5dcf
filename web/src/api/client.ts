import type {
  InkLattice,
  Job,
  JobBench,
  MixedOrder,
  MixedPlan,
  OwnPiece,
  ElsewhereShows,
  PictureRef,
  PixelQuestion,
  Run,
  RunEvent,
  Workshop,
} from '@zippy/core';
import type {
  BackupsKept,
  ExportFormat,
  ExportRow,
  ExportWhat,
  JobsOnTheWall,
  JobUses,
  OwnTypefaceRow,
  PictureOutline,
  Refused as RefusedBody,
  RunNow,
  RunsLogged,
  ScanAnswer,
  ScanAsked,
  ShelfBooks,
  StoredJob,
  StudioDoors,
  TimedRuns,
  VersionedWorkshop,
  WrittenMovement,
} from '@zippy/core/contract';
import { download } from './download.ts';
import { at } from './studio.ts';

/** The server said no, with a sentence to show. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly field: string | null,
    readonly body: unknown,
  ) {
    super(message);
  }
}

/** The server cannot be reached, or cannot do it just now; what was sent must be kept and sent again. */
export class Away extends Error {
  /** @param said its own sentence, where it answered at all */
  constructor(readonly said: string | null = null) {
    super(said ?? 'The server is away for the moment.');
  }
}

/** @param path of something that the page’s studio has */
const call = <T>(path: string, init?: RequestInit): Promise<T> => ask<T>(at(path), init);

async function ask<T>(address: string, init?: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(address, init);
  } catch {
    throw new Away();
  }
  return answerOf<T>(response);
}

/**
 * What an answer holds.
 * @throws Away when the fault is the server’s, Refused with the sentence that came otherwise
 */
export async function answerOf<T>(response: Response): Promise<T> {
  if (response.status === 204) return undefined as T;
  const body: unknown = await response.json().catch(() => null);
  if (!response.ok) {
    const { message, field } = (body ?? {}) as Partial<RefusedBody>;
    if (response.status >= 500) throw new Away(message ?? null);
    throw new Refused(response.status, message ?? 'The server did not understand that.', field ?? null, body);
  }
  return body as T;
}

/** Fetches a file, and hands it over under the name that the server gave it. */
async function fetchFile(path: string, init?: RequestInit): Promise<void> {
  const response = await fetch(at(path), init).catch(() => {
    throw new Away();
  });
  if (!response.ok) {
    const said = (await response.json().catch(() => null)) as Partial<RefusedBody> | null;
    throw new Refused(response.status, said?.message ?? 'The file could not be written.', said?.field ?? null, said);
  }
  const name = /filename="?([^";]+)/.exec(response.headers.get('Content-Disposition') ?? '')?.[1] ?? 'file';
  const url = URL.createObjectURL(await response.blob());
  download({ url, name });
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

const asJson = (method: string, body: unknown): RequestInit => ({
  method,
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify(body),
});
const send = <T>(method: string, path: string, body: unknown): Promise<T> => call<T>(path, asJson(method, body));

/** A shared sheet’s order, as the server writes it. */
export interface SharedPdfOrder {
  readonly jobIds: readonly string[];
  readonly sheets: MixedOrder['sheets'];
  readonly patterns: MixedPlan['patterns'];
  readonly flipEdge: 'long' | 'short';
  readonly grain: 'respect' | 'ignore';
  readonly feed: { readonly printerId: string; readonly pathId: string };
  readonly own: readonly OwnPiece[];
}

/** Where a backup of everything is fetched from; the browser keeps it as a file while it comes. */
export const backupUrl = (): string => at('/backups/now');

export const api = {
  studios: () => ask<StudioDoors>('/api/studios'),
  setUpStudio: (id: string, workshop: Omit<Workshop, 'spoilLog'>) =>
    ask<{ id: string }>('/api/studios', asJson('POST', { id, workshop })),
  enterStudio: (id: string) => ask<undefined>(`/api/studios/${id}/enter`, { method: 'POST' }),
  workshop: () => call<VersionedWorkshop>('/workshop'),
  saveWorkshop: (version: number, workshop: Workshop) =>
    send<{ version: number }>('PUT', '/workshop', { version, workshop }),
  shelf: () => call<ShelfBooks>('/shelf'),
  runsLogged: () => call<RunsLogged>('/runs/log'),
  timedRuns: () => call<TimedRuns>('/runs/timed'),
  writeMovement: (movement: WrittenMovement) => send<{ id: string }>('POST', '/shelf/movements', movement),
  uses: () => call<{ uses: readonly JobUses[] }>('/workshop/uses'),
  gaugeUrl: (stock: string) => at(`/workshop/gauge.pdf?${new URLSearchParams({ stock }).toString()}`),
  calibrationUrl: (printer: string, path: string, stock: string, flip: string) =>
    at(`/workshop/calibration.pdf?${new URLSearchParams({ printer, path, stock, flip }).toString()}`),
  jobs: () => call<JobsOnTheWall>('/jobs'),
  job: (id: string) => call<StoredJob & { bench: JobBench | null }>(`/jobs/${id}`),
  addJob: (id: string, document: Job) => send<StoredJob>('POST', '/jobs', { id, document }),
  addJobFile: (id: string, file: unknown) => send<StoredJob>('POST', '/jobs/file', { id, file }),
  saveJob: (id: string, version: number, document: Job) =>
    send<{ version: number }>('PUT', `/jobs/${id}`, { version, document }),
  removeJob: (id: string) => call<undefined>(`/jobs/${id}`, { method: 'DELETE' }),
  restoreJob: (id: string) => call<StoredJob>(`/jobs/${id}/back`, { method: 'POST' }),
  jobFileUrl: (id: string) => at(`/jobs/${id}/file`),
  inks: () => call<InkLattice>('/pictures/inks'),
  /** @param files one after the other, as one body */
  readScan: (files: readonly Blob[], asked: Omit<ScanAsked, 'firstBytes'>) =>
    call<ScanAnswer>(
      `/workshop/scan?${new URLSearchParams({ asked: JSON.stringify({ ...asked, firstBytes: files[0]!.size }) }).toString()}`,
      { method: 'POST', headers: { 'Content-Type': 'application/octet-stream' }, body: new Blob([...files]) },
    ),
  pictureUrl: (sha256: string) => at(`/pictures/${sha256}`),
  pictureOutline: ({ sha256, name, widthPx }: PictureRef) =>
    call<PictureOutline>(
      `/pictures/${sha256}/outline?${new URLSearchParams({ name, widthPx: String(widthPx) }).toString()}`,
    ),
  typefaces: () => call<readonly OwnTypefaceRow[]>('/typefaces'),
  removeTypeface: (sha256: string) => call<undefined>(`/typefaces/${sha256}`, { method: 'DELETE' }),
  sharedPdf: (order: SharedPdfOrder) => fetchFile('/shared/pdf', asJson('POST', order)),
  facePixels: (id: string, face: string, { widthPx, heightPx, dpi }: PixelQuestion, plate?: 'white') =>
    fetchFile(
      `/jobs/${id}/faces/${encodeURIComponent(face)}.png?width=${widthPx}&height=${heightPx}&dpi=${dpi}${plate ? `&plate=${plate}` : ''}`,
    ),
  pixels: (id: string, dpi: number, shows: ElsewhereShows) =>
    fetchFile(`/jobs/${id}/pixels.zip?dpi=${dpi}&shows=${shows}`),
  /** @param repeats a run of the same job, to be made as it was then */
  startRun: (id: string, jobId: string, repeats?: string) =>
    send<Run>('POST', '/runs', { id, jobId, ...(repeats === undefined ? {} : { repeats }) }),
  run: (id: string) => call<RunNow>(`/runs/${id}`),
  addRunEvent: (runId: string, event: RunEvent) => send<{ id: string }>('POST', `/runs/${runId}/events`, event),
  addExport: <What extends ExportWhat>(jobId: string, what: What, format: ExportFormat<What>) =>
    send<ExportRow>('POST', '/exports', { jobId, what, format }),
  export: (id: string) => call<ExportRow>(`/exports/${id}`),
  cancelExport: (id: string) => call<undefined>(`/exports/${id}`, { method: 'DELETE' }),
  backups: () => call<BackupsKept>('/backups'),
  exportFileUrl: (id: string, number: number) => at(`/exports/${id}/files/${number}`),
};
