import { LineChart } from 'echarts/charts';
import { GridComponent, LegendComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { init, use as register } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef, type ReactNode } from 'react';
import { useTheme } from 'styled-components';
import { formatLength, type DriftRun, type LengthUnit } from '@zippy/core';

register([LineChart, GridComponent, LegendComponent, MarkLineComponent, TooltipComponent, SVGRenderer]);

const HEIGHT_PX = 260;
const MOST_MM = 6;

/** The share of cards with a fault, against how much room there is for it. */
export default function DriftChart({
  run,
  bleedMm,
  safeMm,
  wanted,
  unit,
}: {
  readonly run: DriftRun;
  readonly bleedMm: number;
  readonly safeMm: number;
  readonly wanted: number;
  readonly unit: LengthUnit;
}): ReactNode {
  const frame = useRef<HTMLDivElement>(null);
  const theme = useTheme();
  useEffect(() => {
    const chart = init(frame.current, undefined, { renderer: 'svg' });
    const curve = (points: DriftRun['byBleed'], scale = 1) =>
      points.map(([mm, share]) => [mm * scale, share * 100]).filter(([mm]) => mm! <= MOST_MM);
    const line = (
      name: string,
      data: number[][],
      colour: string,
      dash: 'solid' | 'dashed' | 'dotted',
      at?: number,
    ) => ({
      name,
      type: 'line' as const,
      showSymbol: false,
      data,
      lineStyle: { color: colour, width: 2.5, type: dash },
      itemStyle: { color: colour },
      ...(at === undefined
        ? {}
        : {
            markLine: {
              silent: true,
              symbol: 'none',
              lineStyle: { color: colour, type: dash, width: 1 },
              label: { show: false },
              data: [{ xAxis: at }],
            },
          }),
    });
    chart.setOption({
      animation: false,
      grid: { left: 8, right: 16, top: 58, bottom: 26, containLabel: true },
      textStyle: { fontFamily: theme.font.text, color: theme.colour.ink },
      legend: { top: 0, left: 0, textStyle: { fontSize: 13, color: theme.colour.ink }, itemWidth: 26 },
      tooltip: { trigger: 'axis', valueFormatter: (v: unknown) => `${(v as number).toFixed(1)} % of cards` },
      xAxis: {
        type: 'value',
        max: MOST_MM,
        name: 'room',
        nameLocation: 'middle',
        nameGap: 26,
        axisLabel: { formatter: (v: number) => formatLength(v, unit), color: theme.colour.inkQuiet },
        splitLine: { show: false },
      },
      yAxis: {
        type: 'value',
        min: 0,
        max: 100,
        axisLabel: { formatter: (v: number) => `${v} %`, color: theme.colour.inkQuiet },
        splitLine: { lineStyle: { color: theme.colour.rule } },
      },
      series: [
        line('slivers, by bleed', curve(run.byBleed), theme.colour.coral, 'solid', bleedMm),
        line('clipped, by safe', curve(run.bySafe), theme.colour.teal, 'dashed', safeMm),
        line('uneven, by a fifth of the border', curve(run.byBand, 0.2), theme.colour.plum, 'dotted'),
      ],
    });
    const watcher = new ResizeObserver(() => chart.resize());
    watcher.observe(frame.current!);
    return () => {
      watcher.disconnect();
      chart.dispose();
    };
  }, [run, bleedMm, safeMm, unit, theme]);
  return (
    <div
      ref={frame}
      role="img"
      aria-label={`Share of cards with a fault: white slivers reach ${(wanted * 100).toFixed(0)} per cent at a bleed of ${formatLength(run.bleedMm, unit)}, clipped words at a safe of ${formatLength(run.safeMm, unit)}, uneven borders at a width of ${formatLength(run.bandMm, unit)}`}
      style={{ height: HEIGHT_PX }}
    />
  );
}
