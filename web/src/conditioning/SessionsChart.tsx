import { useToken } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import {
  Bar,
  CartesianGrid,
  ComposedChart,
  ErrorBar,
  Line,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { Schemas } from '../shared/api';
import { dateText } from '../shared/dates';

type Sessions = Schemas['SessionProgressDto'][];

const useAxis = () => {
  const [ink, accent, muted, stop] = useToken('colors', ['fg', 'accent', 'fg.muted', 'stop']);
  return { ink, accent, muted, stop, axis: { stroke: muted, tick: { fill: muted, fontSize: 12 }, tickLine: false } };
};

const percent = (share: number) => `${Math.round(share * 100)} %`;

/** Share of goes that went well, session by session, each with the interval it may lie in; signs of trouble as bars below. */
export function SessionsChart({ sessions }: { sessions: Sessions }) {
  const { ink, accent, muted, stop, axis } = useAxis();
  const data = sessions.map((s, i) => {
    const share = s.goes.of === 0 ? null : s.goes.good / s.goes.of;
    return {
      at: i,
      day: s.day,
      share,
      doubt: share === null ? null : [share - s.goes.low, s.goes.high - share],
      trouble: s.worried + s.overThreshold,
      unsure: s.unsure,
    };
  });
  return (
    <ResponsiveContainer width="100%" height={220}>
      <ComposedChart data={data} margin={{ top: 8, right: 8, bottom: 0, left: 0 }}>
        <CartesianGrid vertical={false} stroke={muted} strokeOpacity={0.25} />
        <XAxis
          dataKey="at"
          tickFormatter={(at: number) => dateText(data[at]?.day ?? '', 'tick')}
          minTickGap={40}
          {...axis}
        />
        <YAxis yAxisId="share" width={54} domain={[0, 1]} tickFormatter={percent} {...axis} />
        <YAxis yAxisId="signs" orientation="right" width={24} domain={[0, 12]} hide />
        <Tooltip
          labelFormatter={(at) => dateText(data[Number(at)]?.day ?? '', 'weekday')}
          formatter={(value, name) => [name === 'Went well' ? percent(Number(value)) : value, name]}
          contentStyle={{ color: '#1d2b27', borderRadius: 4 }}
        />
        <Bar
          yAxisId="signs"
          stackId="signs"
          name={t`Unsure signs`}
          dataKey="unsure"
          fill={accent}
          isAnimationActive={false}
        />
        <Bar
          yAxisId="signs"
          stackId="signs"
          name={t`Worried or over threshold`}
          dataKey="trouble"
          fill={stop}
          isAnimationActive={false}
        />
        <Line
          yAxisId="share"
          name={t`Went well`}
          dataKey="share"
          stroke={ink}
          strokeWidth={2}
          dot={{ r: 2.5, fill: ink }}
          isAnimationActive={false}
        >
          <ErrorBar dataKey="doubt" width={3} stroke={muted} />
        </Line>
      </ComposedChart>
    </ResponsiveContainer>
  );
}

/** The longest hold of each session against what was asked. */
export function HoldsChart({ sessions }: { sessions: Sessions }) {
  const { ink, accent, muted, axis } = useAxis();
  const data = sessions
    .filter((s) => s.longestHoldSeconds !== null)
    .map((s, i) => ({ at: i, day: s.day, held: s.longestHoldSeconds, asked: s.askedSeconds }));
  return (
    <ResponsiveContainer width="100%" height={180}>
      <ComposedChart data={data} margin={{ top: 8, right: 8, bottom: 0, left: 0 }}>
        <CartesianGrid vertical={false} stroke={muted} strokeOpacity={0.25} />
        <XAxis
          dataKey="at"
          tickFormatter={(at: number) => dateText(data[at]?.day ?? '', 'tick')}
          minTickGap={40}
          {...axis}
        />
        <YAxis width={44} tickFormatter={(s: number) => `${s} s`} {...axis} />
        <Tooltip
          labelFormatter={(at) => dateText(data[Number(at)]?.day ?? '', 'weekday')}
          formatter={(value, name) => [`${Number(value).toFixed(1)} s`, name]}
          contentStyle={{ color: '#1d2b27', borderRadius: 4 }}
        />
        <Line
          name={t`Longest hold`}
          dataKey="held"
          stroke={ink}
          strokeWidth={2}
          dot={{ r: 2.5 }}
          isAnimationActive={false}
        />
        <Line
          name={t`Asked for`}
          type="stepAfter"
          dataKey="asked"
          stroke={accent}
          strokeWidth={2}
          strokeDasharray="5 3"
          dot={false}
          isAnimationActive={false}
        />
      </ComposedChart>
    </ResponsiveContainer>
  );
}
