import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from 'recharts';
import { type Forecast } from '../../core/plan/forecast.ts';
import { showDay } from '../../ui/dates.ts';

/** Ground cover through time: the likely band, its middle, and what was seen. */
export default function GrowthChart({
  growth,
  seen,
  today,
}: {
  growth: Forecast['growth'];
  seen: { day: number; cover: number }[];
  today: number;
}) {
  const rows = growth.map((g) => ({
    day: g.day,
    band: [g.cover.low * 100, g.cover.high * 100],
    mid: g.cover.mid * 100,
  }));
  const dots = seen.map((s) => ({ day: s.day, seen: s.cover * 100 }));
  return (
    <figure>
      <div style={{ height: 220 }}>
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart data={rows} margin={{ top: 8, right: 12, bottom: 0, left: -16 }}>
            <CartesianGrid stroke="#e9dcc6" vertical={false} />
            <XAxis
              dataKey="day"
              type="number"
              domain={['dataMin', 'dataMax']}
              tickFormatter={showDay}
              tick={{ fill: '#6b5646', fontSize: 12 }}
              stroke="#cdb998"
            />
            <YAxis domain={[0, 100]} unit="%" tick={{ fill: '#6b5646', fontSize: 12 }} stroke="#cdb998" />
            <Area dataKey="band" fill="#5d7b3c" fillOpacity={0.25} stroke="none" isAnimationActive={false} />
            <Line dataKey="mid" stroke="#5d7b3c" strokeWidth={2} dot={false} isAnimationActive={false} />
            <Scatter data={dots} dataKey="seen" fill="#9e3a2d" isAnimationActive={false} />
            <ReferenceLine x={today} stroke="#3c2a20" strokeWidth={2} />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-bark text-sm">
        Ground cover: computed band (8 years of 10), its middle, and what you saw (madder dots).
      </figcaption>
    </figure>
  );
}
