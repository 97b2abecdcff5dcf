import { LineChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { init, use as register } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef, type ReactNode } from 'react';
import { useTheme } from 'styled-components';
import { fixed, sayDay, type ControlChart } from '@zippy/core';

register([LineChart, GridComponent, MarkLineComponent, TooltipComponent, SVGRenderer]);

const HEIGHT_PX = 330;

/** With a true minus, as everywhere else. */
const signed = (value: number, places: number): string => fixed(value, places).replace('-', '−');

/** Each piece against the limits of chance, and under it how far each lies from the one before. */
export default function HabitChart({
  chart,
  days,
  region,
  label,
}: {
  readonly chart: ControlChart;
  /** When each piece was measured, ISO days. */
  readonly days: readonly string[];
  readonly region: string | undefined;
  readonly label: string;
}): ReactNode {
  const frame = useRef<HTMLDivElement>(null);
  const theme = useTheme();
  useEffect(() => {
    const drawn = init(frame.current, undefined, { renderer: 'svg' });
    const { colour, font } = theme;
    const flagged = new Set(chart.signals.map(({ at }) => at));
    const line = (yAxis: number, name: string, dashed: boolean) => ({
      yAxis,
      name,
      lineStyle: {
        color: dashed ? colour.coral : colour.teal,
        type: dashed ? ('dashed' as const) : ('solid' as const),
      },
      label: {
        formatter: `${name} ${signed(yAxis, 2)}`,
        backgroundColor: colour.paper,
        padding: 1,
        position: 'insideEndTop' as const,
        fontSize: 12,
        color: colour.ink,
      },
    });
    const names = chart.values.map((_, i) => String(i + 1));
    const axis = { type: 'category' as const, data: names, axisLabel: { color: colour.inkQuiet, fontSize: 12 } };
    const scale = {
      type: 'value' as const,
      scale: true,
      axisLabel: { color: colour.inkQuiet, formatter: (mm: number) => signed(mm, 1) },
      splitLine: { lineStyle: { color: colour.rule } },
    };
    const reach = [chart.lower, chart.upper, ...chart.values, 0];
    const pad = 0.1;
    drawn.setOption({
      animation: false,
      textStyle: { fontFamily: font.text, color: colour.ink },
      grid: [
        { left: 44, right: 10, top: 26, height: 150 },
        { left: 44, right: 10, top: 228, height: 72 },
      ],
      tooltip: {
        trigger: 'axis',
        confine: true,
        formatter: (at: unknown) => {
          const [{ dataIndex }] = at as [{ dataIndex: number }];
          const value = chart.values[dataIndex]!;
          return `Piece ${dataIndex + 1}, ${sayDay(days[dataIndex]!, region)}: ${signed(value, 2)} mm`;
        },
      },
      xAxis: [axis, { ...axis, gridIndex: 1 }],
      yAxis: [
        {
          ...scale,
          name: 'off, mm',
          nameTextStyle: { color: colour.inkQuiet, align: 'left' },
          min: Math.min(...reach) - pad,
          max: Math.max(...reach) + pad,
        },
        {
          ...scale,
          gridIndex: 1,
          name: 'from the one before, mm',
          nameTextStyle: { color: colour.inkQuiet, align: 'left' },
          min: 0,
          max: Math.ceil(11 * Math.max(chart.upperRange, ...chart.ranges)) / 10,
          splitNumber: 2,
        },
      ],
      series: [
        {
          type: 'line',
          data: chart.values.map((value, i) => ({
            value,
            symbol: flagged.has(i) ? 'diamond' : 'circle',
            symbolSize: flagged.has(i) ? 14 : 7,
            itemStyle: { color: flagged.has(i) ? colour.coral : colour.slate },
          })),
          lineStyle: { color: colour.slateLine, width: 1.5 },
          markLine: {
            silent: true,
            symbol: 'none',
            data: [line(chart.upper, 'limit', true), line(chart.mean, 'mean', false), line(chart.lower, 'limit', true)],
          },
        },
        {
          type: 'line',
          xAxisIndex: 1,
          yAxisIndex: 1,
          data: [null, ...chart.ranges],
          symbolSize: 5,
          itemStyle: { color: colour.slate },
          lineStyle: { color: colour.slateLine, width: 1.5 },
          markLine: { silent: true, symbol: 'none', data: [line(chart.upperRange, 'limit', true)] },
        },
      ],
    });
    const resize = new ResizeObserver(() => drawn.resize());
    resize.observe(frame.current!);
    return () => {
      resize.disconnect();
      drawn.dispose();
    };
  }, [chart, days, region, theme]);
  return <div ref={frame} style={{ height: HEIGHT_PX }} role="img" aria-label={label} />;
}
