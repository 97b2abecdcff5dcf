import type { Job, PixelQuestion, Plan, Workshop } from '@zippy/core';
import type { Fonts } from './fonts.ts';

export { canExport, EXPORTS, type ExportFormat, type ExportWhat } from '@zippy/core/contract';

export interface PictureBytes {
  readonly mime: 'image/png' | 'image/jpeg' | 'image/svg+xml';
  readonly bytes: Buffer;
}

export interface ExportInput {
  readonly job: Job;
  readonly workshop: Workshop;
  readonly plan: Plan;
  readonly fonts: Fonts;
  /** Bytes of every picture the job places. */
  readonly pictures: ReadonlyMap<string, PictureBytes>;
  /** ISO day for the slug and the ticket; null writes none. */
  readonly date: string | null;
  /** Pictures of faces in exactly these pixels, as print houses ask; only the named face when one is named. */
  readonly pixels?: PixelQuestion;
  readonly faceId?: string;
  readonly onProgress?: (done: number, of: number) => void | Promise<void>;
}

export interface ExportFile {
  readonly name: string;
  readonly mime: string;
  readonly bytes: Buffer;
}

/** The maker asked for something that cannot be written as it stands; the message says what to do. */
export class ExportRefused extends Error {}
