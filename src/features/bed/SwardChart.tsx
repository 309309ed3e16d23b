import {
  Area,
  CartesianGrid,
  ComposedChart,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from 'recharts';
import { isoOf } from '../../core/calendar/day.ts';
import { type Mowing } from '../../core/strips/mowing.ts';
import { showDay } from '../../ui/dates.ts';

/** The axis ends on a whole step of so many centimetres. */
const STEP_CM = 5;

/** How high a path stood night by night this season, and the days on which it was mown. */
export default function SwardChart({ mow }: { mow: Mowing }) {
  const { course, passes, limit_cm } = mow;
  const rows = course.height_cm.map((cm, i) => ({ day: course.from + i, cm }));
  const mown = passes.map((p) => ({ day: p.on, cm: p.height_cm.mid }));
  const firsts = rows.filter((r) => isoOf(r.day).endsWith('-01')).map((r) => r.day);
  return (
    <figure aria-label="How it stood" className="mt-3 max-w-2xl">
      <div style={{ height: 170 }}>
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart data={rows} margin={{ top: 8, right: 30, bottom: 4, left: -8 }}>
            <CartesianGrid stroke="var(--color-linen)" vertical={false} />
            <XAxis
              dataKey="day"
              type="number"
              domain={['dataMin', 'dataMax']}
              ticks={firsts}
              tickFormatter={showDay}
              tick={{ fill: 'var(--color-bark)', fontSize: 15 }}
              minTickGap={24}
              stroke="var(--color-warp)"
            />
            <YAxis
              domain={[0, (most: number) => Math.ceil(Math.max(most, limit_cm) / STEP_CM) * STEP_CM]}
              allowDecimals={false}
              tickFormatter={(v: number) => `${v} cm`}
              tick={{ fill: 'var(--color-bark)', fontSize: 15 }}
              stroke="var(--color-warp)"
            />
            <Area
              dataKey="cm"
              fill="var(--color-leaf)"
              fillOpacity={0.35}
              stroke="var(--color-leaf)"
              strokeWidth={2}
              isAnimationActive={false}
            />
            <Scatter data={mown} dataKey="cm" fill="var(--color-madder)" isAnimationActive={false} />
            <ReferenceLine y={limit_cm} stroke="var(--color-walnut)" strokeDasharray="5 4" />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-bark text-sm">
        Green: how high it stood in the weather so far, in the middle year. Madder: your mowings. Dashed: the
        height at which it is mown next.
      </figcaption>
    </figure>
  );
}
