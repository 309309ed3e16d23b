import { Area, ComposedChart, Line, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { type Feeding } from '../../core/plantBack/feeding.ts';
import { showPerArea, type UnitChoice } from '../../core/units/show.ts';
import { showDay } from '../../ui/dates.ts';

/** What the crop would take up against what the bed gives it, day by day. */
export default function FeedingChart({
  feeding,
  from,
  crop,
  units,
}: {
  feeding: Feeding;
  /** Planting day; the days of the answer count from the span's first day. */
  from: number;
  crop: string;
  units: UnitChoice;
}) {
  const first = feeding.days[0]!.day;
  const rows = feeding.days.map((d) => ({
    day: from + d.day - first,
    wants: d.wants,
    gets: [d.gets.low, d.gets.high],
  }));
  const last = feeding.days.at(-1)!;
  return (
    <figure>
      <div style={{ height: 200 }}>
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart data={rows} margin={{ top: 8, right: 12, bottom: 0, left: -24 }}>
            <XAxis
              dataKey="day"
              type="number"
              domain={['dataMin', 'dataMax']}
              tickFormatter={showDay}
              tick={{ fill: 'var(--color-bark)', fontSize: 14 }}
              stroke="var(--color-warp)"
            />
            <YAxis tick={{ fill: 'var(--color-bark)', fontSize: 14 }} stroke="var(--color-warp)" />
            <Area
              dataKey="gets"
              fill="var(--color-leaf)"
              fillOpacity={0.35}
              stroke="none"
              isAnimationActive={false}
            />
            <Line
              dataKey="wants"
              stroke="var(--color-walnut)"
              strokeWidth={2.5}
              dot={false}
              isAnimationActive={false}
            />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-sm">
        Line: what {crop} takes up, {showPerArea(last.wants, units)} of nitrogen by{' '}
        {showDay(rows.at(-1)!.day)}. Green: what it finds here, {showPerArea(last.gets.low, units)} to{' '}
        {showPerArea(last.gets.high, units)}, 8 years of 10.
      </figcaption>
    </figure>
  );
}
