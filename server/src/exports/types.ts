import type { Job, Page, PixelQuestion, Plan, Scene, Workshop } from '@zippy/core';
import type { Fonts } from './fonts.ts';

export { canExport, EXPORTS, type ExportFormat, type ExportWhat } from '@zippy/core/contract';

export interface PictureBytes {
  readonly mime: 'image/png' | 'image/jpeg' | 'image/svg+xml';
  readonly bytes: Buffer;
}

/** What drawings are set in and filled with. */
export interface Materials {
  readonly fonts: Fonts;
  /** Bytes of every picture that is placed. */
  readonly pictures: ReadonlyMap<string, PictureBytes>;
  /** ISO day for the slug, the ticket and the file; null writes none. */
  readonly date: string | null;
}

export interface ExportInput extends Materials {
  readonly job: Job;
  readonly workshop: Workshop;
  readonly plan: Plan;
  /** Pictures of faces in exactly these pixels, as print houses ask; only the named face when one is named. */
  readonly pixels?: PixelQuestion;
  readonly faceId?: string;
  readonly onProgress?: Progress;
}
export type Progress = (done: number, of: number) => void | Promise<void>;

export interface ExportFile {
  readonly name: string;
  readonly mime: string;
  readonly bytes: Buffer;
}

/** A page as it is written. */
export interface DraftPage {
  readonly page: Page;
  /** A plate of white ink laid under its colours. */
  readonly white?: Scene | undefined;
  /** Brings no picture that an earlier page of the file has not brought. */
  readonly repeats?: boolean;
}

interface Named {
  /** The file’s name without its ending. */
  readonly stem: string;
}
interface Titled extends Named {
  readonly title: string;
}

/** One file to be: what is in it, before anything is written. */
export type Draft =
  | (Titled & {
      readonly kind: 'pages';
      /** Drawn one at a time, so that a long run holds no more than a page of itself. */
      readonly pages: Iterable<DraftPage>;
      /** Pages of all files of this export together, for whoever waits. */
      readonly total: number;
      /** It shows what comes out on the card; every other file holds the inks, which mix on paper. */
      readonly forLooking?: boolean;
      /** For a press: every colour and picture in its four inks. */
      readonly forPress?: boolean;
    })
  /** One picture, in the format that is asked for. */
  | (Titled & {
      readonly kind: 'drawing';
      readonly scene: Scene;
      /** A layer for each role, which machines and other programs tell apart; no outlined letters then. */
      readonly layers?: boolean;
      /** Exactly so many, where a print house asks for them. */
      readonly pixels?: PixelQuestion;
    })
  | (Named & {
      readonly kind: 'table';
      readonly columns: readonly string[];
      readonly rows: readonly (readonly (string | number)[])[];
    })
  | (Named & { readonly kind: 'words'; readonly text: string });

/**
 * Says what the files of one kind of export are made of, in one of its formats.
 * @throws ExportRefused when the plan has nothing of the kind to write
 */
export type Exporter<Format extends string> = (
  input: ExportInput,
  format: Format,
  /** What names of its files begin with. */
  name: string,
) => Iterable<Draft> | AsyncIterable<Draft>;

/** The maker asked for something that cannot be written as it stands; the message says what to do. */
export class ExportRefused extends Error {}
