import { Link } from 'react-router';
import { speciesOf, wayOf } from '../../catalogue/catalogue.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { portions, throwGroups } from '../../core/seed/weight.ts';
import { showArea, showSeed } from '../../core/units/show.ts';
import { logSowings } from '../../records/verbs/seed.ts';
import { inTheWay, type PlannedSowing, plannedSowings } from '../../questions/needs.ts';
import { sownArea_m2 } from '../../questions/weights.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { showIso } from '../../ui/dates.ts';
import { Check } from '../../ui/fields.tsx';
import { Answer, Page } from '../../ui/parts.tsx';

/** Sowings of this day and the next so many, and whatever is overdue, are done on one walk. */
const AHEAD_D = 7;

/** The walk through one day of sowing, kept with every tap. */
interface DayWalk {
  /** Sowings that are thrown. */
  thrown: string[];
  /** Those that wait for another day, and the day on which that was said: the next morning they are asked about again. */
  later: string[];
  laterOn?: string;
}
const FRESH: DayWalk = { thrown: [], later: [] };

/** Many beds sown on one day: in walking order, one card each, what is left in the bag carried on, logged in one go. */
export default function SowDayPage() {
  const { garden, covers, beds, plantings, lots, today, hands, run } = useGarden();
  const [kept, setKept] = useDraft<DayWalk>(`sow-day ${garden.id}`, FRESH);
  if (!kept) return null;
  const walk = kept.laterOn === today ? kept : { ...kept, later: [] };
  const setWalk = (next: DayWalk) => setKept({ ...next, laterOn: today });
  const order = new Map(beds.map((b) => [b.id, b.order]));
  const due = plannedSowings(covers, beds)
    .filter((s) => dayOf(s.cover.sowOn) <= dayOf(today) + AHEAD_D)
    .sort((a, b) => order.get(a.bed.id)! - order.get(b.bed.id)!);
  // What must be asked about first is logged on its own page.
  const asks = (s: PlannedSowing) => inTheWay(s, plantings, today);
  const mine = due.filter((s) => !walk.later.includes(s.cover.id) && asks(s) === null);
  const next = mine.find((s) => !walk.thrown.includes(s.cover.id));
  const thrown = mine.filter((s) => walk.thrown.includes(s.cover.id));

  async function log() {
    const sowings = thrown.map((s) => ({
      coverId: s.cover.id,
      seed: s.cover.seed.map((x) => ({
        ...x,
        used_g: s.weights.find((w) => w.speciesId === x.speciesId)?.weigh_g ?? 0,
      })),
    }));
    if (await run(logSowings(hands, garden.id, today, sowings))) setWalk({ ...walk, thrown: [] });
  }
  const total = (of: PlannedSowing[]): Map<string, number> => {
    const sum = new Map<string, number>();
    for (const s of of)
      for (const w of s.weights) sum.set(w.speciesId, (sum.get(w.speciesId) ?? 0) + w.weigh_g);
    return sum;
  };
  const words = (sum: Map<string, number>) =>
    [...sum].map(([id, g]) => `${showSeed(g, garden.units)} ${speciesOf(id).name.toLowerCase()}`).join(', ');
  return (
    <div className="garden-touch">
      <Page
        title="A day of sowing"
        lead="What is due this week and what is overdue, in the order in which the beds are walked past."
      >
        {due.length === 0 ? (
          <Answer big="Nothing to sow">No sowing is due in the next week.</Answer>
        ) : (
          <>
            <Answer
              big={
                next
                  ? `Bed ${next.bed.name}, ${mine.length - thrown.length} to go`
                  : thrown.length > 0
                    ? 'All thrown'
                    : walk.later.length > 0
                      ? 'Done for today'
                      : 'None to sow in one go'
              }
            >
              {next
                ? `Take along: ${words(total(mine.filter((s) => !walk.thrown.includes(s.cover.id))))}.`
                : thrown.length > 0
                  ? 'Write them down now, while it is known.'
                  : walk.later.length > 0
                    ? 'What waits for another day is asked about again tomorrow.'
                    : 'What is due must be looked at one by one.'}
            </Answer>
            <ol className="flex flex-col gap-3">
              {due.map((s) => (
                <SowingCard
                  key={s.cover.id}
                  sowing={s}
                  open={s === next}
                  thrown={walk.thrown.includes(s.cover.id)}
                  later={walk.later.includes(s.cover.id)}
                  carried={left(lots, s, mine)}
                  asks={asks(s)}
                  onThrown={(on) =>
                    setWalk({
                      ...walk,
                      thrown: on
                        ? [...walk.thrown, s.cover.id]
                        : walk.thrown.filter((id) => id !== s.cover.id),
                    })
                  }
                  onLater={(on) =>
                    setWalk({
                      ...walk,
                      later: on ? [...walk.later, s.cover.id] : walk.later.filter((id) => id !== s.cover.id),
                    })
                  }
                />
              ))}
            </ol>
            {thrown.length > 0 && (
              <div className="border-walnut mt-5 border-t pt-4">
                <p>
                  As weighed: {words(total(thrown))}. Where a bed took more or less, write that one down on
                  its own page.
                </p>
                <button type="button" className="btn btn-primary mt-2" onClick={() => void log()}>
                  Log {thrown.length} {thrown.length === 1 ? 'sowing' : 'sowings'} today
                </button>
              </div>
            )}
          </>
        )}
      </Page>
    </div>
  );
}

/** What each lot holds when the walk comes to a bed, after the beds before it. */
function left(
  lots: ReturnType<typeof useGarden>['lots'],
  at: PlannedSowing,
  walk: PlannedSowing[],
): { label: string; left_g: number; short: boolean }[] {
  return at.cover.seed.flatMap((s) => {
    const lot = lots.find((l) => l.id === s.lotId);
    if (!lot) return [];
    const before = walk.slice(0, Math.max(0, walk.indexOf(at)));
    const taken = before
      .flatMap((b) =>
        b.weights.filter((w) => b.cover.seed.some((x) => x.lotId === lot.id && x.speciesId === w.speciesId)),
      )
      .reduce((sum, w) => sum + w.weigh_g, 0);
    const need = at.weights.find((w) => w.speciesId === s.speciesId)?.weigh_g ?? 0;
    const left_g = lot.left_g - taken;
    return [{ label: lot.label || speciesOf(lot.speciesId).name, left_g, short: left_g < need - 0.05 }];
  });
}

function SowingCard({
  sowing: s,
  open,
  thrown,
  later,
  carried,
  asks,
  onThrown,
  onLater,
}: {
  sowing: PlannedSowing;
  open: boolean;
  thrown: boolean;
  later: boolean;
  carried: { label: string; left_g: number; short: boolean }[];
  asks: ReturnType<typeof inTheWay>;
  onThrown(on: boolean): void;
  onLater(on: boolean): void;
}) {
  const { garden } = useGarden();
  const groups = throwGroups(s.weights.map((w) => speciesOf(w.speciesId).seed.thousandSeed_g));
  const shares = groups.map((g) => g.map((i) => portions(s.weights[i]!.weigh_g, s.cover.throws)));
  return (
    <li
      className={`border-l-4 p-4 ${open ? 'border-madder bg-paper' : thrown ? 'border-leaf' : 'border-linen'}`}
      aria-label={`Bed ${s.bed.name}`}
    >
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="font-display text-2xl font-bold">Bed {s.bed.name}</h2>
        <span>
          {s.name}, {showArea(sownArea_m2(s.cover, s.bed), garden.units)},{' '}
          {wayOf(s.cover.wayId).name.toLowerCase()}; planned {showIso(s.cover.sowOn)}
        </span>
      </div>
      {asks && (
        <p className="text-madder font-semibold">
          {asks === 'crop'
            ? 'By the record a crop still stands there; log this one step by step.'
            : 'The crop after it was to be planted by now; look at this one step by step.'}
        </p>
      )}
      {!later && !thrown && !asks && (
        <>
          <ul className="mt-2 text-lg">
            {groups.map((g, n) => (
              <li key={n}>
                {s.cover.throws} throws of{' '}
                <b>
                  {showSeed(
                    g.reduce((sum, _, m) => sum + shares[n]![m]![0]!, 0),
                    garden.units,
                  )}
                </b>{' '}
                {g.map((i) => speciesOf(s.weights[i]!.speciesId).name.toLowerCase()).join(' with ')}
              </li>
            ))}
          </ul>
          {carried.map((c) => (
            <p key={c.label} className={c.short ? 'text-madder font-semibold' : 'text-bark'}>
              {c.label}: {showSeed(Math.max(0, c.left_g), garden.units)} in the bag when you come here
              {c.short && ', too little. Weigh less for the beds before, or open another bag'}.
            </p>
          ))}
        </>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-3">
        {!thrown && !later && open && (
          <button type="button" className="btn btn-primary" onClick={() => onThrown(true)}>
            Thrown: next bed
          </button>
        )}
        {(thrown || !open) && !later && !asks && (
          <Check label="Thrown" checked={thrown} onChange={onThrown} />
        )}
        {!thrown && !asks && <Check label="Another day" checked={later} onChange={onLater} />}
        <Link className="underline" to={`/cover/${s.cover.id}/sow`}>
          step by step
        </Link>
      </div>
    </li>
  );
}
