import {
  drawGuides,
  drawLayerTemplate,
  drawProof,
  drawTemplate,
  templatePage,
  type Page,
  type Scene,
} from '@zippy/core';
import { collect } from './collect.ts';
import { sceneToDxf } from './dxf.ts';
import { PdfFile, type PdfMaterials } from './pdfDocument.ts';
import { sceneToSvg } from './scenes.ts';
import type { ExportFile, ExportFormat, ExportInput } from './types.ts';

/** The blank and every layer, each in true size: pages of one PDF, or one drawing each. */
export async function templateFiles(
  format: ExportFormat,
  input: ExportInput,
  name: string,
): Promise<readonly ExportFile[]> {
  const { size } = input.plan;
  const drawings = [
    { id: 'template', what: 'template', scene: drawTemplate(size) },
    ...size.layers.map((piece, i) => ({ id: `layer-${i + 1}`, what: piece.name, scene: drawLayerTemplate(piece) })),
  ];
  if (format === 'pdf') {
    const pages = drawings.map(({ scene }, i) => (i === 0 ? templatePage(size, scene) : plainPage(scene)));
    return [await pdfOf(pages, `${input.job.brief.title}: template`, `${name}-template.pdf`, input)];
  }
  return drawings.map(({ id, what, scene }): ExportFile => {
    const title = `${input.job.brief.title}: ${what}`;
    return format === 'svg'
      ? { name: `${name}-${id}.svg`, mime: 'image/svg+xml', bytes: Buffer.from(sceneToSvg(scene, title, input, true)) }
      : { name: `${name}-${id}.dxf`, mime: 'image/vnd.dxf', bytes: Buffer.from(sceneToDxf(scene)) };
  });
}

export const guidesPdf = async (input: ExportInput, name: string): Promise<readonly ExportFile[]> => [
  await pdfOf(
    [templatePage(input.plan.size, drawGuides(input.plan.size))],
    `${input.job.brief.title}: guides`,
    `${name}-guides.pdf`,
    input,
  ),
];

export const proofPdf = async (input: ExportInput, name: string): Promise<readonly ExportFile[]> => [
  await pdfOf(
    [drawProof(input.plan, input.job.brief.title, input.workshop.unit)],
    `${input.job.brief.title}: proof`,
    `${name}-proof.pdf`,
    { ...input, forLooking: true },
  ),
];

const plainPage = (scene: Scene): Page => ({ scene, trimBox: scene.box, bleedBox: scene.box });

async function pdfOf(
  pages: readonly Page[],
  title: string,
  name: string,
  materials: PdfMaterials,
): Promise<ExportFile> {
  const file = new PdfFile(title, materials);
  const bytes = collect(file.stream);
  for (const page of pages) {
    await file.prepare(page.scene);
    file.addPage(page);
  }
  file.end();
  return { name, mime: 'application/pdf', bytes: await bytes };
}
