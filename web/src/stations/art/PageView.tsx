import type { ReactNode } from 'react';
import { plural, type BackgroundPage, type PagePart } from '@zippy/core';

/** The page of background paper, with the parts that are taken from it. */
export function PageView({
  page,
  url,
  parts,
  others,
}: {
  readonly page: BackgroundPage;
  readonly url: string;
  /** Where more of the first panel’s size could come from. */
  readonly others: readonly PagePart[];
  readonly parts: readonly { readonly number: number; readonly part: PagePart }[];
}): ReactNode {
  const stroke = page.widthMm / 160;
  return (
    <svg
      viewBox={`${-stroke} ${-stroke} ${page.widthMm + 2 * stroke} ${page.heightMm + 2 * stroke}`}
      role="img"
      aria-label={`The page, with ${parts.length} ${plural(parts.length, 'part')} marked on it`}
    >
      <image href={url} width={page.widthMm} height={page.heightMm} preserveAspectRatio="none" />
      {others.map(({ onPage }, i) => (
        <rect
          key={`other ${i}`}
          x={onPage.xMm}
          y={onPage.yMm}
          width={onPage.widthMm}
          height={onPage.heightMm}
          strokeWidth={stroke / 2}
          strokeDasharray={`${2 * stroke} ${2 * stroke}`}
          className="part"
        />
      ))}
      {parts.map(({ number, part: { onPage, turned } }) => (
        <g key={number}>
          <rect
            x={onPage.xMm}
            y={onPage.yMm}
            width={onPage.widthMm}
            height={onPage.heightMm}
            strokeWidth={stroke}
            className="part"
          />
          <text
            x={onPage.xMm + onPage.widthMm / 2}
            y={onPage.yMm + onPage.heightMm / 2}
            fontSize={page.widthMm / 14}
            textAnchor="middle"
            dominantBaseline="central"
            strokeWidth={page.widthMm / 60}
          >
            {number}
            {turned ? ' ↻' : ''}
          </text>
        </g>
      ))}
    </svg>
  );
}
