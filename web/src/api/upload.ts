import type { PictureRef } from '@zippy/core';
import type { OwnTypefaceRow } from '@zippy/core/contract';
import { answerOf, Away } from './client.ts';
import { at } from './studio.ts';

/**
 * Sends a file and says how much of it is on its way; the page’s own way of asking cannot tell.
 * @param onShare from 0 to 1; at 1 the server has it all and is at work on it
 * @throws the same as any other call
 */
function upload<T>(path: string, file: File, onShare: (share: number) => void): Promise<T> {
  return new Promise((done, failed) => {
    const request = new XMLHttpRequest();
    request.open('POST', at(path));
    request.setRequestHeader('Content-Type', 'application/octet-stream');
    request.upload.onprogress = ({ loaded, total }) => total > 0 && onShare(loaded / total);
    request.onload = () => {
      const response = new Response(request.responseText, {
        status: request.status,
        headers: { 'Content-Type': 'application/json' },
      });
      answerOf<T>(response).then(done, failed);
    };
    request.onerror = () => failed(new Away());
    request.send(file);
  });
}

/** Takes a picture in; large ones are turned, converted and made small for the screen on the server. */
export const addPicture = (file: File, onShare: (share: number) => void): Promise<PictureRef> =>
  upload<PictureRef>(`/pictures?name=${encodeURIComponent(file.name)}`, file, onShare);

/** Takes in a typeface of the maker’s own. */
export const addTypeface = (file: File, onShare: (share: number) => void): Promise<OwnTypefaceRow> =>
  upload<OwnTypefaceRow>(`/typefaces?name=${encodeURIComponent(file.name)}`, file, onShare);

/** Brings a backup back. @returns what came of it, in sentences */
export const restoreBackup = (
  file: File,
  mode: 'beside' | 'instead',
  onShare: (share: number) => void,
): Promise<{ readonly said: string }> =>
  upload<{ readonly said: string }>(`/backups/restore?mode=${mode}`, file, onShare);

/** What is going on with a file, in a sentence. */
export const sayShare = (name: string, share: number): string =>
  share < 1 ? `Taking in ${name} … ${Math.floor(share * 100)} %` : `Preparing ${name} …`;
