import { type Day } from '../../core/calendar/day.ts';
import { type Strand, type StrandId } from '../../core/plantBack/strands.ts';
import { showDay, showSpan } from '../../ui/dates.ts';
import { type Motif } from '../../ui/motifs.ts';
import { Term } from '../../ui/Term.tsx';
import { type TermId } from '../../ui/terms.ts';
import { WeaveDefs } from '../../ui/Weave.tsx';

export interface StrandShown extends Strand {
  title: string;
  note: string;
}

interface Props {
  strands: StrandShown[];
  /** Motif of what stood here. */
  motif: Motif;
  today: Day;
  ready: number;
  plantDay: Day;
}

/** Strands whose names are words of the field. */
const STRAND_TERMS: Partial<Record<StrandId, TermId>> = { check: 'check', nitrogen: 'tied', pests: 'pests' };
const HEIGHT = 300;
const WIDTH = 64;
const MARGIN_D = 6;
const WEEK_D = 7;
/** Strands that run out later than this after planting day are cut off at the foot. */
const LATEST_D = 45;
/** More strands than this run on beyond the edge of a phone, in columns of at least this width. */
const MOST_ON_PHONE = 3;
const LEAST_COLUMN = 92;
const PREFIX = 'strands';

/** What must run out before the crop goes in: each strand hangs from today, woven until the middle of its range. Time runs downward. */
export function Strands({ strands, motif, today, ready, plantDay }: Props) {
  const finite = strands.flatMap((s) => [s.over.low, s.over.mid, s.over.high]).filter(Number.isFinite);
  const top = Math.min(today, plantDay);
  const foot = Math.min(Math.max(plantDay, ...finite) + MARGIN_D, plantDay + LATEST_D);
  const y = (day: Day) => (HEIGHT * (Math.max(top, Math.min(foot, day)) - top)) / Math.max(1, foot - top);
  const pct = (day: Day) => `${(100 * y(day)) / HEIGHT}%`;
  const step = WEEK_D * Math.max(1, Math.ceil((foot - top) / (WEEK_D * 7)));
  const marks: number[] = [];
  for (let d = top; d <= foot; d += step) marks.push(d);
  const weave: Record<StrandId, Motif> = {
    dead: motif,
    flat: 'residue',
    pests: motif,
    rots: 'residue',
    check: motif,
    nitrogen: 'residue',
    warm: 'crop',
  };
  return (
    <figure
      aria-label="What must run out before planting"
      className={strands.length > MOST_ON_PHONE ? 'max-md:runs-on' : ''}
    >
      <svg width="0" height="0" aria-hidden="true" className="absolute">
        <WeaveDefs prefix={PREFIX} />
      </svg>
      <div
        className="grid grid-cols-[3.9rem_1fr]"
        style={{ minWidth: strands.length > MOST_ON_PHONE ? strands.length * LEAST_COLUMN : undefined }}
      >
        <span />
        <div
          className="grid gap-2 pb-2"
          style={{ gridTemplateColumns: `repeat(${strands.length}, minmax(0, 1fr))` }}
        >
          {strands.map((s) => (
            <div key={s.id} className="min-w-0">
              <b>{STRAND_TERMS[s.id] ? <Term id={STRAND_TERMS[s.id]!}>{s.title}</Term> : s.title}</b>
              <span className="text-bark block text-sm">{s.note}</span>
            </div>
          ))}
        </div>
        <div className="relative text-sm" style={{ height: HEIGHT }}>
          {marks.map((d, i) => (
            <span
              key={d}
              className={`absolute right-2 -translate-y-1/2 whitespace-nowrap ${i === 0 ? 'font-bold' : 'text-bark'}`}
              style={{ top: pct(d) }}
            >
              {i === 0 || new Date(d * 86_400_000).getUTCDate() <= step ? showDay(d) : dayOnly(d)}
            </span>
          ))}
        </div>
        <div className="relative" style={{ height: HEIGHT }}>
          {marks.map((d) => (
            <span key={d} className="border-linen absolute inset-x-0 border-t" style={{ top: pct(d) }} />
          ))}
          <div
            className="grid h-full gap-2"
            style={{ gridTemplateColumns: `repeat(${strands.length}, minmax(0, 1fr))` }}
          >
            {strands.map((s) => (
              <Drawn key={s.id} s={s} motif={weave[s.id]} y={y} top={top} foot={foot} />
            ))}
          </div>
          <Line
            at={pct(plantDay)}
            tone="walnut"
            words={`meant for ${showDay(plantDay)}`}
            below={!(ready > plantDay)}
          />
          {Number.isFinite(ready) && ready <= foot && ready > top && (
            <Line at={pct(ready)} tone="madder" words={`ready ${showDay(ready)}`} below={ready > plantDay} />
          )}
        </div>
      </div>
      <figcaption className="sr-only">
        {strands.map((s) => `${s.title}: ${showSpan(s.over.low, s.over.high)}.`).join(' ')}
      </figcaption>
    </figure>
  );
}

const dayOnly = (d: number): string => String(new Date(d * 86_400_000).getUTCDate());

/** The words of two lines stand on their outer sides, so that they never cover each other. */
function Line({
  at,
  tone,
  words,
  below,
}: {
  at: string;
  tone: 'walnut' | 'madder';
  words: string;
  below: boolean;
}) {
  return (
    <div
      className={`pointer-events-none absolute inset-x-0 border-t-2 ${tone === 'madder' ? 'border-madder' : 'border-walnut'}`}
      style={{ top: at }}
    >
      <span
        className={`absolute right-0 px-2 text-sm font-bold ${tone === 'madder' ? 'bg-madder text-paper' : 'bg-wool'} ${below ? 'top-0' : '-top-6'}`}
      >
        {words}
      </span>
    </div>
  );
}

function Drawn({
  s,
  motif,
  y,
  top,
  foot,
}: {
  s: StrandShown;
  motif: Motif;
  y(day: Day): number;
  top: number;
  foot: number;
}) {
  const { low, mid, high } = s.over;
  // Long over: a knot at the top and nothing hangs.
  if (mid <= top)
    return (
      <div>
        <svg width={WIDTH} height={20} viewBox={`0 0 ${WIDTH} 20`} aria-hidden="true" overflow="visible">
          <Knot y={0} />
        </svg>
        <span className="text-bark text-sm">no wait</span>
      </div>
    );
  const [a, b, c] = [y(low), y(mid), y(Number.isFinite(high) ? high : foot)];
  return (
    <svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true">
      {s.left ? (
        <Fading left={s.left} motif={motif} y={y} until={c} />
      ) : (
        <>
          <rect width={WIDTH} height={a} fill={`url(#${PREFIX}-${motif})`} />
          <rect
            y={a}
            width={WIDTH}
            height={Math.max(0, b - a)}
            fill={`url(#${PREFIX}-${motif})`}
            opacity={0.45}
          />
        </>
      )}
      <rect y={b} width={WIDTH} height={Math.max(0, c - b)} fill={`url(#${PREFIX}-warp)`} />
      <path d={`M${WIDTH / 2} ${a}V${c}`} stroke="currentColor" strokeWidth={2} />
      {Number.isFinite(mid) && <Knot y={b} />}
    </svg>
  );
}

/** What runs out little by little is woven as densely as there is of it. */
function Fading({
  left,
  motif,
  y,
  until,
}: {
  left: NonNullable<Strand['left']>;
  motif: Motif;
  y(day: Day): number;
  until: number;
}) {
  return left.map(({ day, share }, i) => {
    const from = i === 0 ? 0 : y(day);
    const to = Math.min(until, left[i + 1] ? y(left[i + 1]!.day) : until);
    return (
      <rect
        key={day}
        y={from}
        width={WIDTH}
        height={Math.max(0, to - from)}
        fill={`url(#${PREFIX}-${motif})`}
        opacity={share}
      />
    );
  });
}

const Knot = ({ y }: { y: number }) => (
  <path
    d={`M${WIDTH / 2} ${y - 8}l8 8l-8 8l-8 -8z`}
    className="fill-paper"
    stroke="currentColor"
    strokeWidth={2}
  />
);
