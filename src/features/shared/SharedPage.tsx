import { Link } from 'react-router';
import { dayOf } from '../../core/calendar/day.ts';
import { datedPasses } from '../../core/plan/passes.ts';
import { type Clash, type Proposal, type ShareChange } from '../../core/share/types.ts';
import { showLength } from '../../core/units/show.ts';
import { findCrop } from '../../catalogue/catalogue.ts';
import { plantBackDay } from '../../questions/cover.ts';
import { methodsHere } from '../../questions/methods.ts';
import { predictedOf } from '../../questions/predicted.ts';
import { takeProposal, type Taken } from '../../records/commands/share.ts';
import { type Thing, usualThing } from '../../records/things.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useShare } from '../../ring/useShare.ts';
import { showDay } from '../../ui/dates.ts';
import { Answer, NoAnswer, Page } from '../../ui/parts.tsx';
import { Board } from './Board.tsx';
import { Hours } from './Hours.tsx';
import { Proposals, type ProposalWords } from './Proposals.tsx';

/** So far ahead the board shows, days, and never less than this. */
const LONGEST_D = 160;
const SHORTEST_D = 56;

/** Sheets, boards, pens and hours that are few: where they lie, where two beds want the same one, and what would solve it. */
export default function SharedPage() {
  const { garden, beds, covers, plantings, today, hands, run } = useGarden();
  const { answer, busy, failure } = useShare();
  const now = dayOf(today);
  const nameOf = (id: string) => garden.things.find((t) => t.id === id)?.name ?? 'a borrowed one';
  const bedOf = (coverId: string) =>
    beds.find((b) => b.id === covers.find((c) => c.id === coverId)?.bedId)?.name ?? '';
  const cropOf = (coverId: string) => {
    const next = plantings.find((p) => p.id === covers.find((c) => c.id === coverId)?.nextPlantingId);
    return (next && findCrop(next.cropId)?.name) ?? 'what follows';
  };
  const take = (changes: ShareChange[], wanted: NonNullable<Proposal['wanted']>[], label: string) => {
    const things: Thing[] = [];
    for (const w of wanted) {
      const thing = usualThing(w.of, hands.newId(), [...garden.things, ...things]);
      const size =
        w.width_m && w.length_m && (thing.of === 'opaque-sheet' || thing.of === 'clear-film')
          ? { width_m: w.width_m, length_m: w.length_m }
          : {};
      things.push({ ...thing, ...size, borrowed: true, asked: true } as Thing);
    }
    const taken = changes.flatMap((c): Taken[] => {
      const cover = covers.find((x) => x.id === c.coverId);
      const bed = beds.find((b) => b.id === cover?.bedId);
      const method = bed && methodsHere(garden, bed).find((m) => m.id === c.method);
      if (!cover || !method) return [];
      const passes = method.passes.map((p, i) => ({ ...p, after_d: c.after_d[i] ?? p.after_d }));
      return [
        {
          coverId: c.coverId,
          chosen: {
            method: c.method,
            passes: datedPasses(passes, c.ending, plantBackDay(cover, plantings) + c.plantBy_d),
            predicted: predictedOf(c.ending, today),
          },
          // What is only wished for cannot be set aside yet.
          thingIds: c.thingIds.filter((id) => garden.things.some((t) => t.id === id)),
          plantBy_d: c.plantBy_d,
        },
      ];
    });
    void run(takeProposal(hands, garden.id, taken, things, today, label));
  };
  const clashes = answer?.clashes ?? [];
  const latest = Math.max(
    now + SHORTEST_D,
    ...(answer?.board ?? []).flatMap((b) => [
      ...b.stretches.map((s) => (Number.isFinite(s.until.high) ? s.until.high + 7 : s.from + 42)),
      ...b.days.map((d) => d.day + 7),
    ]),
  );
  const sizeOf = (id: string) => {
    const t = garden.things.find((x) => x.id === id);
    if (!t) return '';
    const m = (x: number) => showLength(x, garden.units);
    if (t.of === 'opaque-sheet' || t.of === 'clear-film') return `${m(t.width_m)} x ${m(t.length_m)}`;
    if (t.of === 'hen-pen') return `${m(t.width_m)} x ${m(t.length_m)}, ${t.hens} hens`;
    if (t.of === 'crimper-board') return `${m(t.length_m)}, ${Math.round(garden.people[0]!.mass_kg)} kg`;
    return '';
  };
  const clashWords = (c: Clash): string =>
    c.thingId === null
      ? `Nothing at hand covers bed ${bedOf(c.wants)}, which is to be covered on ${showDay(c.day)}.`
      : `Bed ${bedOf(c.wants)} wants the ${nameOf(c.thingId).toLowerCase()} on ${showDay(c.day)}; bed ${bedOf(c.holder)} has it then in ${Math.round(c.odds * 100)} years of 100.`;
  const words: ProposalWords = { nameOf, cropOf, units: garden.units };
  const things = garden.things.length;
  const busyBeds = new Set(
    (answer?.board ?? []).flatMap((b) => [...b.stretches.map((s) => s.bed), ...b.days.map((d) => d.bed)]),
  );
  return (
    <Page
      wide
      title="Shared things"
      lead="Sheets, boards, pens and hours are few and beds are many: where each lies, for how long, and where two want the same one."
    >
      <NoAnswer failure={failure} />
      {things === 0 ? (
        <Answer big="Nothing to share yet">
          Say under{' '}
          <Link className="underline" to="/ground">
            Ground
          </Link>{' '}
          which sheets, boards and pens there are.
        </Answer>
      ) : (
        <>
          <Answer
            big={
              !answer
                ? 'Working out…'
                : clashes.length === 0
                  ? 'No two beds want the same thing'
                  : clashes.length === 1
                    ? 'One clash'
                    : `${clashes.length} clashes`
            }
          >
            {answer &&
              `${things} things, ${busyBeds.size} beds that use them until ${showDay(Math.min(latest, now + LONGEST_D))}.`}
            {answer && busy && ' Looking for ways round…'}
          </Answer>
          {answer && (
            <div className="grid gap-8 lg:grid-cols-[minmax(0,1fr)_22rem]">
              <Board
                board={answer.board}
                clashes={clashes.map((c) => c.clash)}
                sizeOf={sizeOf}
                now={now}
                to={Math.min(latest, now + LONGEST_D)}
              />
              <div className="order-first lg:order-none">
                {clashes.map(({ clash, proposals }) => (
                  <section
                    key={`${clash.wants}${clash.of}`}
                    aria-label={`Clash, bed ${bedOf(clash.wants)}`}
                    className="mb-6"
                  >
                    <p className="text-lg font-semibold">{clashWords(clash)}</p>
                    {proposals.length === 0 && !busy && (
                      <p>
                        Nothing was found that helps both: lend one out less, or plan another cover there.
                      </p>
                    )}
                    <Proposals proposals={proposals} words={words} take={take} />
                  </section>
                ))}
                {answer.allAtOnce && clashes.length > 1 && answer.allAtOnce.changes.length > 0 && (
                  <button
                    type="button"
                    className="btn btn-primary mb-6 w-full"
                    onClick={() =>
                      take(
                        answer.allAtOnce!.changes,
                        answer.allAtOnce!.wanted,
                        'all clashes of shared things',
                      )
                    }
                  >
                    Solve all at once: {answer.allAtOnce.changes.length} beds change
                    {answer.allAtOnce.left > 0 ? `, ${answer.allAtOnce.left} left` : ''}
                  </button>
                )}
                <Hours weeks={answer.weeks} have={answer.hoursAWeek} busy={busy} words={words} take={take} />
              </div>
            </div>
          )}
        </>
      )}
    </Page>
  );
}
