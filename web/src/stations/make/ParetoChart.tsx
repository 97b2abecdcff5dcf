import { BarChart, LineChart } from 'echarts/charts';
import { GridComponent, TooltipComponent } from 'echarts/components';
import { init, use as register } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef, type ReactNode } from 'react';
import { useTheme } from 'styled-components';
import { fixed, plural, type Pareto } from '@zippy/core';

register([BarChart, LineChart, GridComponent, TooltipComponent, SVGRenderer]);

const HEIGHT_PX = 260;

/** What each cause has cost, the dearest first, and the share that it makes up with all before it. */
export default function ParetoChart({
  pareto,
  money,
  label,
}: {
  readonly pareto: Pareto;
  readonly money: (minor: number) => string;
  readonly label: string;
}): ReactNode {
  const frame = useRef<HTMLDivElement>(null);
  const theme = useTheme();
  useEffect(() => {
    const drawn = init(frame.current, undefined, { renderer: 'svg' });
    const { colour, font } = theme;
    const { causes } = pareto;
    const priced = pareto.costMinor > 0;
    const worth = causes.map(({ cards, costMinor }) => (priced ? costMinor : cards));
    drawn.setOption({
      animation: false,
      textStyle: { fontFamily: font.text, color: colour.ink },
      grid: { left: 8, right: 8, top: 30, bottom: 4, containLabel: true },
      tooltip: {
        trigger: 'axis',
        confine: true,
        formatter: (at: unknown) => {
          const [{ dataIndex }] = at as [{ dataIndex: number }];
          const { cause, cards, costMinor, upTo } = causes[dataIndex]!;
          return `${cause}: ${cards} ${plural(cards, 'card')}${priced ? `, ${money(costMinor)}` : ''}; ${fixed(100 * upTo, 0)} % up to here`;
        },
      },
      xAxis: {
        type: 'category',
        data: causes.map(({ cause }) => cause),
        axisTick: { show: false },
        axisLabel: { fontSize: 14, interval: 0, color: colour.ink },
      },
      yAxis: [
        {
          type: 'value',
          axisLabel: { formatter: (v: number) => (priced ? money(v) : String(v)), color: colour.inkQuiet },
          splitLine: { lineStyle: { color: colour.rule } },
        },
        {
          type: 'value',
          min: 0,
          max: 1,
          axisLabel: { formatter: (v: number) => `${Math.round(100 * v)} %`, color: colour.inkQuiet },
          splitLine: { show: false },
        },
      ],
      series: [
        {
          type: 'bar',
          data: worth,
          barWidth: '62%',
          itemStyle: { color: colour.plum },
          label: {
            show: true,
            position: 'top',
            formatter: ({ dataIndex }: { dataIndex: number }) => {
              const { cards } = causes[dataIndex]!;
              return priced ? money(worth[dataIndex]!) : String(cards);
            },
            color: colour.ink,
          },
        },
        {
          type: 'line',
          yAxisIndex: 1,
          data: causes.map(({ upTo }) => upTo),
          symbolSize: 7,
          itemStyle: { color: colour.ochre },
          lineStyle: { color: colour.ochre, width: 2 },
        },
      ],
    });
    const resize = new ResizeObserver(() => drawn.resize());
    resize.observe(frame.current!);
    return () => {
      resize.disconnect();
      drawn.dispose();
    };
  }, [pareto, money, theme]);
  return <div ref={frame} style={{ height: HEIGHT_PX }} role="img" aria-label={label} />;
}
