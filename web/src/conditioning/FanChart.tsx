import { useToken } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { dateText } from '../shared/dates';
import type { Outlook } from './useOutlook';

/** How far such dogs have come by each day: the middle of ten, and the eight around it. */
export function FanChart({ forecast }: { forecast: NonNullable<Outlook['forecast']> }) {
  const [ink, accent, muted, stop] = useToken('colors', ['fg', 'accent', 'fg.muted', 'stop']);
  const days = forecast.fan.map((f) => ({ day: f.day, middle: f.p50, around: [f.p10, f.p90] }));
  const axis = { stroke: muted, tick: { fill: muted, fontSize: 12 }, tickLine: false };
  return (
    <ResponsiveContainer width="100%" height={190}>
      <ComposedChart data={days} margin={{ top: 8, right: 12, bottom: 0, left: 0 }}>
        <CartesianGrid vertical={false} stroke={muted} strokeOpacity={0.25} />
        <XAxis dataKey="day" tickFormatter={(day: string) => dateText(day, 'tick')} minTickGap={48} {...axis} />
        <YAxis width={30} domain={[0, forecast.wanted]} allowDecimals={false} {...axis} />
        <Tooltip
          labelFormatter={(day) => dateText(String(day), 'weekday')}
          formatter={(value, name) => [Array.isArray(value) ? value.join(t` to `) : value, name]}
          contentStyle={{ color: '#1d2b27', borderRadius: 4 }}
        />
        <Area
          name={t`Steps passed, eight in ten`}
          dataKey="around"
          fill={accent}
          fillOpacity={0.3}
          stroke="none"
          isAnimationActive={false}
        />
        <Line
          name={t`Half of them`}
          dataKey="middle"
          stroke={ink}
          strokeWidth={2.5}
          dot={false}
          isAnimationActive={false}
        />
        <ReferenceLine y={forecast.wanted} stroke={ink} strokeDasharray="2 3" />
        {forecast.by && <ReferenceLine x={forecast.by} stroke={stop} strokeWidth={2} />}
      </ComposedChart>
    </ResponsiveContainer>
  );
}
