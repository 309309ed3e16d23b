import { Link } from 'react-router';
import { dayOf } from '../../core/calendar/day.ts';
import { type Clash, type ShareAnswer } from '../../core/share/types.ts';
import { showLength } from '../../core/units/show.ts';
import { findCrop } from '../../catalogue/catalogue.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useShare } from '../../ring/useShare.ts';
import { showDay } from '../../ui/dates.ts';
import { Answer, NoAnswer, Page } from '../../ui/parts.tsx';
import { Board } from './Board.tsx';
import { Hours } from './Hours.tsx';
import { Proposals, type ProposalWords } from './Proposals.tsx';
import { type Take, useTake } from './useTake.ts';

/** So far ahead the board shows, days, and never less than this. */
const LONGEST_D = 160;
const SHORTEST_D = 56;

/** Sheets, boards, pens and hours that are few: where they lie, where two beds want the same one, and what would solve it. */
export default function SharedPage() {
  const { garden, today } = useGarden();
  const { answer, busy, failure } = useShare();
  const words = useWords();
  const take = useTake();
  const now = dayOf(today);
  return (
    <Page
      wide
      title="Shared things"
      lead="Sheets, boards, pens and hours are few and beds are many: where each lies, for how long, and where two want the same one."
    >
      <NoAnswer failure={failure} />
      {garden.things.length === 0 ? (
        <Answer big="Nothing to share yet">
          Say under{' '}
          <Link className="underline" to="/ground">
            Ground
          </Link>{' '}
          which sheets, boards and pens there are.
        </Answer>
      ) : (
        <>
          <Answer big={answer ? clashCount(answer.clashes.length) : 'Working out…'}>
            {answer &&
              `${garden.things.length} things, ${bedsThatUse(answer)} beds that use them until ${showDay(shownUntil(answer, now))}.`}
            {answer && busy && ' Looking for ways round…'}
          </Answer>
          {answer && (
            <div className="grid gap-8 lg:grid-cols-[minmax(0,1fr)_22rem]">
              <Board
                board={answer.board}
                clashes={answer.clashes.map((c) => c.clash)}
                sizeOf={words.sizeOf}
                now={now}
                to={shownUntil(answer, now)}
              />
              <div className="order-first lg:order-none">
                <Clashes answer={answer} busy={busy} words={words} take={take} />
                <Hours weeks={answer.weeks} have={answer.hoursAWeek} busy={busy} words={words} take={take} />
              </div>
            </div>
          )}
        </>
      )}
    </Page>
  );
}

const clashCount = (n: number): string =>
  n === 0 ? 'No two beds want the same thing' : n === 1 ? 'One clash' : `${n} clashes`;

const bedsThatUse = ({ board }: ShareAnswer): number =>
  new Set(board.flatMap((b) => [...b.stretches.map((s) => s.bed), ...b.days.map((d) => d.bed)])).size;

/** The day to which the board is drawn: a week past what lies longest, within bounds. */
function shownUntil({ board }: ShareAnswer, now: number): number {
  const ends = board.flatMap((b) => [
    ...b.stretches.map((s) => (Number.isFinite(s.until.high) ? s.until.high + 7 : s.from + 42)),
    ...b.days.map((d) => d.day + 7),
  ]);
  return Math.min(now + LONGEST_D, Math.max(now + SHORTEST_D, ...ends));
}

interface Words extends ProposalWords {
  bedOf(coverId: string): string;
  sizeOf(thingId: string): string;
  clash(c: Clash): string;
}

/** Names of this garden's things, beds and crops, as they stand in sentences. */
function useWords(): Words {
  const { garden, beds, covers, plantings } = useGarden();
  const nameOf = (id: string) => garden.things.find((t) => t.id === id)?.name ?? 'a borrowed one';
  const bedOf = (coverId: string) =>
    beds.find((b) => b.id === covers.find((c) => c.id === coverId)?.bedId)?.name ?? '';
  const cropOf = (coverId: string) => {
    const next = plantings.find((p) => p.id === covers.find((c) => c.id === coverId)?.nextPlantingId);
    return (next && findCrop(next.cropId)?.name) ?? 'what follows';
  };
  const sizeOf = (id: string) => {
    const t = garden.things.find((x) => x.id === id);
    if (!t) return '';
    const m = (x: number) => showLength(x, garden.units);
    if (t.of === 'opaque-sheet' || t.of === 'clear-film') return `${m(t.width_m)} x ${m(t.length_m)}`;
    if (t.of === 'hen-pen') return `${m(t.width_m)} x ${m(t.length_m)}, ${t.hens} hens`;
    if (t.of === 'crimper-board') return `${m(t.length_m)}, ${Math.round(garden.people[0]!.mass_kg)} kg`;
    return '';
  };
  const clash = (c: Clash): string =>
    c.thingId === null
      ? `Nothing at hand covers bed ${bedOf(c.wants)}, which is to be covered on ${showDay(c.day)}.`
      : `Bed ${bedOf(c.wants)} wants the ${nameOf(c.thingId).toLowerCase()} on ${showDay(c.day)}; bed ${bedOf(c.holder)} has it then in ${Math.round(c.odds * 100)} years of 100.`;
  return { nameOf, cropOf, units: garden.units, bedOf, sizeOf, clash };
}

/** Every clash with its ways round, and one tap for all of them. */
function Clashes({
  answer: { clashes, allAtOnce },
  busy,
  words,
  take,
}: {
  answer: ShareAnswer;
  busy: boolean;
  words: Words;
  take: Take;
}) {
  return (
    <>
      {clashes.map(({ clash, proposals }) => (
        <section
          key={`${clash.wants}${clash.of}`}
          aria-label={`Clash, bed ${words.bedOf(clash.wants)}`}
          className="mb-6"
        >
          <p className="text-lg font-semibold">{words.clash(clash)}</p>
          {proposals.length === 0 && !busy && (
            <p>Nothing was found that helps both: lend one out less, or plan another cover there.</p>
          )}
          <Proposals proposals={proposals} words={words} take={take} />
        </section>
      ))}
      {allAtOnce && clashes.length > 1 && allAtOnce.changes.length > 0 && (
        <button
          type="button"
          className="btn btn-primary mb-6 w-full"
          onClick={() => take(allAtOnce.changes, allAtOnce.wanted, 'all clashes of shared things')}
        >
          Solve all at once: {allAtOnce.changes.length} beds change
          {allAtOnce.left > 0 ? `, ${allAtOnce.left} left` : ''}
        </button>
      )}
    </>
  );
}
