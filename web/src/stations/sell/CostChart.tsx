import { BarChart } from 'echarts/charts';
import { GridComponent, TooltipComponent } from 'echarts/components';
import { init, use as register } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef, type ReactNode } from 'react';
import { useTheme } from 'styled-components';
import type { CostPart } from '@zippy/core';

register([BarChart, GridComponent, TooltipComponent, SVGRenderer]);

const HEIGHT_PX = 250;

/** A waterfall: each part stands on the one before, up to the cost, and what is left up to the price. */
export default function CostChart({
  parts,
  priceMinor,
  money,
}: {
  readonly parts: readonly CostPart[];
  readonly priceMinor: number | null;
  /** Whole minor units as people write them; the same function as long as nothing about that changes. */
  readonly money: (minor: number) => string;
}): ReactNode {
  const frame = useRef<HTMLDivElement>(null);
  const theme = useTheme();
  useEffect(() => {
    const chart = init(frame.current, undefined, { renderer: 'svg' });
    const cost = parts.reduce((sum, part) => sum + part.shownMinor, 0);
    const colours = [
      theme.colour.slateLine,
      theme.colour.teal,
      theme.colour.ochre,
      theme.colour.plum,
      theme.colour.coral,
    ];
    const left =
      priceMinor === null
        ? []
        : [
            {
              label: priceMinor >= cost ? 'Left over' : 'Lost',
              value: Math.abs(priceMinor - cost),
              from: Math.min(cost, priceMinor),
            },
          ];
    let reached = 0;
    const rows = [
      ...parts.map((part) => {
        const from = reached;
        reached += part.shownMinor;
        return { label: part.label, value: part.shownMinor, from };
      }),
      ...left,
    ];
    chart.setOption({
      animation: false,
      grid: { left: 8, right: 14, top: 26, bottom: 4, containLabel: true },
      textStyle: { fontFamily: theme.font.text, color: theme.colour.ink },
      tooltip: {
        trigger: 'item',
        formatter: (at: unknown) => {
          const { name, value } = at as { name: string; value: number };
          return `${name}: ${money(value)}`;
        },
      },
      xAxis: {
        type: 'category',
        data: rows.map((r) => r.label),
        axisTick: { show: false },
        axisLabel: { fontSize: 14, interval: 0, color: theme.colour.ink },
      },
      yAxis: {
        type: 'value',
        axisLabel: { formatter: (v: number) => money(v), color: theme.colour.inkQuiet },
        splitLine: { lineStyle: { color: theme.colour.rule } },
      },
      series: [
        { type: 'bar', stack: 'all', silent: true, itemStyle: { color: 'transparent' }, data: rows.map((r) => r.from) },
        {
          type: 'bar',
          stack: 'all',
          barWidth: '58%',
          label: {
            show: true,
            position: 'top',
            formatter: (at: { value: unknown }) => money(at.value as number),
            fontSize: 14,
            color: theme.colour.ink,
          },
          data: rows.map((r, i) => ({
            value: r.value,
            itemStyle: {
              color: i < parts.length ? colours[i % colours.length] : theme.colour.marigold,
              borderColor: theme.colour.ink,
              borderWidth: i < parts.length ? 0 : 1.5,
            },
          })),
        },
      ],
    });
    const resize = new ResizeObserver(() => chart.resize());
    resize.observe(frame.current!);
    return () => {
      resize.disconnect();
      chart.dispose();
    };
  }, [parts, priceMinor, money, theme]);
  return <div ref={frame} style={{ height: HEIGHT_PX }} role="img" aria-label="Cost of one card by part" />;
}
