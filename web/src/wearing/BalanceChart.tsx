import { useToken } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import {
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { occasionWords } from './words';

const HIGHEST = 8;
const rows: Record<Schemas['Occasion'], number> = { fun: -0.6, ordinary: -1.2, stressful: -1.8 };

/** Good wears to one bad, day by day, with each wear below it in a row of its own. */
export function BalanceChart({ balance }: { balance: Schemas['BalanceDto'] }) {
  const [ink, accent, muted, stop] = useToken('colors', ['fg', 'accent', 'fg.muted', 'stop']);
  const axis = { stroke: muted, tick: { fill: muted, fontSize: 12 }, tickLine: false };
  const data = balance.points.map(({ day, ratio }) => {
    const worn = balance.wears.filter((w) => w.day === day).map((w) => w.occasion);
    const at = (occasion: Schemas['Occasion']) => (worn.includes(occasion) ? rows[occasion] : null);
    return {
      day,
      ratio: ratio === null ? null : Math.min(ratio, HIGHEST),
      fun: at('fun'),
      ordinary: at('ordinary'),
      stressful: at('stressful'),
    };
  });
  return (
    <ResponsiveContainer width="100%" height={240}>
      <ComposedChart data={data} margin={{ top: 8, right: 8, bottom: 0, left: 0 }}>
        <CartesianGrid vertical={false} stroke={muted} strokeOpacity={0.25} />
        <XAxis dataKey="day" tickFormatter={(day: string) => dateText(day, 'tick')} minTickGap={44} {...axis} />
        <YAxis
          width={34}
          domain={[-2.2, HIGHEST]}
          ticks={[0, 1, 3, 5, HIGHEST]}
          tickFormatter={(n: number) => (n === HIGHEST ? `${n}+` : String(n))}
          {...axis}
        />
        <Tooltip
          labelFormatter={(day) => dateText(String(day), 'weekday')}
          formatter={(value, name) => [name === 'Good to one bad' ? Number(value).toFixed(1) : 'worn', name]}
          contentStyle={{ color: '#1d2b27', borderRadius: 4 }}
        />
        <ReferenceLine y={balance.wanted} stroke={ink} strokeDasharray="5 4" />
        <ReferenceLine y={balance.sours} stroke={stop} strokeWidth={2} />
        <Line
          name={t`Good to one bad`}
          dataKey="ratio"
          stroke={ink}
          strokeWidth={2.5}
          dot={false}
          isAnimationActive={false}
        />
        <Scatter name={occasionWords.fun} dataKey="fun" fill={accent} shape="circle" isAnimationActive={false} />
        <Scatter
          name={occasionWords.ordinary}
          dataKey="ordinary"
          fill="none"
          stroke={ink}
          shape="circle"
          isAnimationActive={false}
        />
        <Scatter
          name={occasionWords.stressful}
          dataKey="stressful"
          fill={stop}
          shape={(at: { cx?: number; cy?: number; payload?: { stressful: number | null } }) =>
            at.payload?.stressful == null ? (
              <g />
            ) : (
              <path d={`M${(at.cx ?? 0) - 4} ${(at.cy ?? 0) - 4}l8 8m0 -8l-8 8`} stroke={stop} strokeWidth={2.4} />
            )
          }
          isAnimationActive={false}
        />
      </ComposedChart>
    </ResponsiveContainer>
  );
}
