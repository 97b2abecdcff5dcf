import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import type { Browser, Page } from 'playwright-core';
import { TYPEFACES, type Job, type Scene } from '@zippy/core';
import type { PictureBytes } from '../../server/src/exports/index.ts';
import { SceneView } from '../../web/src/bench/SceneView.tsx';

const HOME = 'http://screen.test/';
/** What the application’s pages set labels in. */
const LABELS = readFileSync(
  createRequire(import.meta.url).resolve(TYPEFACES.find(({ id }) => id === 'atkinson-hyperlegible-next-400')!.file),
);

/** The application's own drawing of a scene, in a browser, without the rest of the application. */
export class Screen {
  private readonly bytes = new Map<string, PictureBytes>();
  private constructor(private readonly page: Page) {}

  static async open(browser: Browser): Promise<Screen> {
    const screen = new Screen(await (await browser.newContext({ deviceScaleFactor: 2 })).newPage());
    await screen.page.route('**/*', (route) => {
      const { pathname } = new URL(route.request().url());
      if (pathname === '/') return route.fulfill({ contentType: 'text/html', body: '<!doctype html><body></body>' });
      if (pathname === '/labels.woff') return route.fulfill({ contentType: 'font/woff', body: LABELS });
      const picture = screen.bytes.get(pathname.split('/').at(-1)!);
      return picture ? route.fulfill({ contentType: picture.mime, body: picture.bytes }) : route.abort();
    });
    await screen.page.goto(HOME);
    return screen;
  }

  /** @returns a PNG of the scene's box, twice as fine as asked, to be brought down like anything it is held against */
  async draw(
    scene: Scene,
    pictures: Job['pictures'],
    bytes: ReadonlyMap<string, PictureBytes>,
    pxPerMm: number,
  ): Promise<Buffer> {
    for (const [id, picture] of bytes) if (pictures[id]) this.bytes.set(pictures[id].sha256, picture);
    const [width, height] = [scene.box.widthMm, scene.box.heightMm].map((mm) => Math.round(mm * pxPerMm)) as [
      number,
      number,
    ];
    await this.page.setViewportSize({ width, height });
    const drawing = renderToStaticMarkup(createElement(SceneView, { scene, pictures }));
    await this.page.evaluate(
      (html) => (document.body.innerHTML = html),
      [
        `<style>@font-face{font-family:'Atkinson Hyperlegible Next';src:url(/labels.woff)}body{margin:0;background:#fff}svg{display:block;width:${width}px;height:${height}px}</style>${drawing}`,
      ].join(''),
    );
    await this.page.evaluate(() => document.fonts.ready);
    await this.page.evaluate(() =>
      Promise.all(
        [...document.querySelectorAll('image')].map((image) =>
          (image as SVGImageElement & { decode(): Promise<void> }).decode(),
        ),
      ),
    );
    return this.page.screenshot();
  }
}
