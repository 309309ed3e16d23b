import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { bareOf, clothOf, unknownOf } from '../../core/bed/cloth.ts';
import { wholeBeds } from '../../core/bed/pieces.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useForecasts } from '../../ring/useForecast.ts';
import { useForeseen } from '../../ring/useForeseen.ts';
import { PLAUSIBLE_YEARS } from '../../questions/years.ts';
import { showIso } from '../../ui/dates.ts';
import { Swatch } from '../../ui/Weave.tsx';
import { Loom } from './Loom.tsx';
import { Risks } from './Risks.tsx';
import { ThisWeek } from './ThisWeek.tsx';
import { Tour } from './Tour.tsx';

/** Days shown back and ahead of today. */
const SPANS = { season: [225, 190], 'two years': [540, 190], 'five years': [1460, 365] } as const;
type Span = keyof typeof SPANS;

/** From more beds than this on they are folded, fitted and looked for. */
const FEW_BEDS = 8;

const THREADS = [
  ['grass', 'Grasses'],
  ['legume', 'Legumes'],
  ['brassica', 'Brassicas'],
  ['broadleaf', 'Other broadleaves'],
  ['crop', 'Food crop'],
  ['residue', 'Mulch lying'],
  ['sheet', 'Under a sheet'],
  ['bare', 'Bare ground'],
] as const;

/** Home: all beds hang side by side, woven above today, sketched below. */
export default function ClothPage() {
  const { garden, beds, covers, today } = useGarden();
  const view = useView();
  const living = useMemo(() => covers.filter((c) => c.verdict !== 'dead'), [covers]);
  const forecasts = useForecasts(living, PLAUSIBLE_YEARS);
  useForeseen();
  if (beds.length === 0) return <EmptyLoom />;
  const now = dayOf(today);
  const [back, ahead] = SPANS[view.span];
  return (
    <main id="main" className="grid xl:grid-cols-[1fr_20rem]">
      <div className="min-w-0">
        <h1 className="sr-only">The cloth of {garden.name}</h1>
        <ViewBar view={view} />
        <Loom
          from={now - back}
          to={now + ahead}
          whole={view.span !== 'season'}
          fitted={view.fitted}
          folded={view.folded}
          fold={view.fold}
          sought={view.sought?.id ?? null}
        />
      </div>
      {/* In the hand, out in the garden, what is due today comes first; at the table the cloth does. */}
      <aside
        className="border-warp bg-paper border-l p-5 max-sm:order-first max-sm:border-b max-sm:border-l-0 max-sm:p-4"
        aria-label="This week"
      >
        <Tour />
        <ThisWeek forecasts={forecasts} />
        <Risks covers={living} forecasts={forecasts} />
        <BareGround />
        <h2 className="font-display mt-5 text-lg font-bold">Threads</h2>
        <ul className="mt-1 grid grid-cols-2 gap-x-3 gap-y-2 text-sm">
          {THREADS.map(([m, label]) => (
            <li key={m} className="flex items-center gap-2">
              <Swatch motif={m} /> {label}
            </li>
          ))}
        </ul>
        <p className="text-bark mt-3 text-sm">
          Below {showIso(isoOf(now))} the weave is faint: that is the plan. A dotted stretch above it with a
          question mark was planned, and nobody said that it happened.
        </p>
      </aside>
    </main>
  );
}

function EmptyLoom() {
  return (
    <main id="main" className="p-6">
      <h1 className="font-display text-2xl font-bold">The loom is empty</h1>
      <p className="mt-2 max-w-xl">
        Each bed hangs here as a strip of warp; what grows on it is woven in. Add your beds first.
      </p>
      <Link className="btn btn-primary mt-4" to="/ground">
        Add beds under Ground
      </Link>
    </main>
  );
}

/** How much of the cloth is shown: its span of days, all beds at once, blocks folded away, a bed that is looked for. */
function useView() {
  const { beds } = useGarden();
  const [span, setSpan] = useState<Span>('season');
  const [fitted, setFitted] = useState(false);
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const [typed, setTyped] = useState('');
  const wanted = typed.trim().toLowerCase();
  const named = (fits: (name: string) => boolean) => beds.find((b) => fits(b.name.toLowerCase()));
  return {
    span,
    setSpan,
    fitted,
    setFitted,
    folded,
    fold: (block: string) => {
      const next = new Set(folded);
      if (!next.delete(block)) next.add(block);
      setFolded(next);
    },
    typed,
    look: (text: string) => {
      setTyped(text);
      setFolded(new Set());
    },
    sought: wanted
      ? (named((name) => name === wanted) ?? named((name) => name.startsWith(wanted)))
      : undefined,
  };
}

const pressed = (on: boolean): string => `px-2 py-1 ${on ? 'border-walnut border-b-3 font-bold' : ''}`;

function ViewBar({ view }: { view: ReturnType<typeof useView> }) {
  const many = wholeBeds(useGarden().beds).length > FEW_BEDS;
  const { span, fitted } = view;
  return (
    <div
      role="group"
      aria-label="How much of the cloth"
      className="no-print flex flex-wrap items-center gap-2 px-3 pt-2"
    >
      {(Object.keys(SPANS) as Span[]).map((s) => (
        <button
          key={s}
          type="button"
          aria-pressed={span === s}
          className={pressed(span === s)}
          onClick={() => view.setSpan(s)}
        >
          {s}
        </button>
      ))}
      {many && (
        <>
          <button
            type="button"
            aria-pressed={fitted}
            className={pressed(fitted)}
            onClick={() => view.setFitted(!fitted)}
          >
            all beds
          </button>
          <input
            className="input input-sm ml-auto w-32!"
            placeholder="find a bed"
            aria-label="Find a bed"
            value={view.typed}
            onChange={(e) => view.look(e.target.value)}
          />
        </>
      )}
      <button
        type="button"
        className={`no-print px-2 py-1 ${many ? '' : 'ml-auto'}`}
        onClick={() => window.print()}
      >
        print
      </button>
    </div>
  );
}

/** Days looked back and ahead for bare ground. */
const HALF_YEAR_D = 183;
const AHEAD_D = 120;

/** Bed-days that were bare, and those that stand open. */
function BareGround() {
  const { beds, plantings, covers, today } = useGarden();
  const now = dayOf(today);
  const bare = useMemo(() => {
    const cloth = (from: number, to: number) => clothOf(beds, plantings, covers, from, to);
    return {
      past: bareOf(cloth(now - HALF_YEAR_D, now)),
      before: bareOf(cloth(now - 2 * HALF_YEAR_D, now - HALF_YEAR_D)),
      ahead: bareOf(cloth(now, now + AHEAD_D)),
      unknown: unknownOf(cloth(now - HALF_YEAR_D, now), now),
    };
  }, [beds, plantings, covers, now]);
  return (
    <>
      <h2 className="font-display mt-5 text-lg font-bold">Bare ground</h2>
      <p className="flex items-end gap-3">
        <span className="font-display text-4xl font-extrabold">{bare.past}</span>
        <span className="pb-1 text-sm">
          bed-days bare in the half year to {showIso(today)}; {bare.before} in the half year before
          {bare.unknown > 0 && `; ${bare.unknown} nobody logged`}
        </span>
      </p>
      <p className="text-sm">
        {bare.ahead > 0
          ? `${bare.ahead} bed-days stand open in the next four months. Tap a hole to see what fits in it.`
          : 'No hole is open in the next four months.'}
      </p>
    </>
  );
}
