import { Link } from 'react-router';
import { coverTitle } from '../../catalogue/catalogue.ts';
import { type Failure } from '../../core/result/result.ts';
import { walkMinutes, type WalkNote } from '../../core/rounds/way.ts';
import { showLength } from '../../core/units/show.ts';
import { wayToday } from '../../questions/rounds.ts';
import { useGarden } from '../../ring/garden.tsx';
import { NoAnswer, Page } from '../../ui/parts.tsx';
import { questionTitle, questionWhy, walkNoteWords } from '../../ui/questionWords.ts';
import { type Stop } from './stop.ts';
import { WayOnGround } from './WayOnGround.tsx';

interface Props {
  stops: Stop[];
  done: Record<number, 'saved' | 'skipped'>;
  /** What to know of the day before setting out. */
  notes: WalkNote[];
  working: boolean;
  begun: boolean;
  failure: Failure | undefined;
  begin(): void;
  open(at: number): void;
  again(): void;
}

/** What is due on the walk, in the order in which the beds are passed. */
export function Walk({ stops, done, notes, working, begun, failure, begin, open, again }: Props) {
  const ring = useGarden();
  const { garden, beds, covers, today } = ring;
  const bedName = (id: string) => beds.find((b) => b.id === id)?.name ?? '';
  const left = stops.filter((_, i) => !done[i]);
  const passed = [...new Set(stops.map((s) => s.bedId))];
  const openBeds = new Set(left.map((s) => s.bedId));
  const count = openBeds.size;
  const { length_m } = wayToday(left, ring, today);
  const minutes = walkMinutes(left, length_m);
  return (
    <div className="garden-touch">
      <Page
        title="Rounds"
        lead={
          working
            ? 'Asking the beds…'
            : left.length === 0
              ? begun
                ? 'All that was due has been looked at.'
                : 'Nothing is due today: no look would settle much.'
              : `${count} ${count === 1 ? 'bed' : 'beds'}, about ${minutes} min${length_m && length_m >= 5 ? `, ${showLength(Math.round(length_m), garden.units)} to walk` : ''}.`
        }
      >
        <div className="mx-auto grid max-w-xl gap-6 pb-24 lg:mx-0 lg:max-w-6xl lg:grid-cols-[minmax(0,1fr)_22rem]">
          <div className="lg:order-2">
            {notes.map((n) => (
              <p key={n.is} className="border-indigo mb-3 border-l-4 pl-3">
                {walkNoteWords(n, garden.units)}
              </p>
            ))}
            {passed.length > 1 && (
              <WayOnGround way={passed.map((bedId) => ({ bedId, done: !openBeds.has(bedId) }))} />
            )}
          </div>
          <div>
            <NoAnswer failure={failure} />
            <ol className="flex flex-col gap-2">
              {stops.map((s, i) => {
                const cover = covers.find((c) => c.id === s.coverId);
                return (
                  <li key={`${s.coverId}${s.question.kind}${s.question.speciesId ?? ''}`}>
                    <button
                      type="button"
                      className={`bg-paper grid w-full grid-cols-[2rem_1fr] border-2 px-3 py-2 text-left ${done[i] ? 'border-linen text-bark' : 'border-linen hover:border-walnut'}`}
                      onClick={() => open(i)}
                    >
                      <b className="font-display text-madder text-xl">{i + 1}</b>
                      <span>
                        <b className="block">
                          Bed {bedName(s.bedId)} · {cover && coverTitle(cover).toLowerCase()}
                        </b>
                        <span className="block text-lg">
                          {questionTitle(s.question)}
                          {done[i] && <b> {done[i]}</b>}
                        </span>
                        <span className="text-bark block text-sm">
                          {questionWhy(s.question, garden.units)}
                        </span>
                      </span>
                    </button>
                  </li>
                );
              })}
            </ol>
            {left.length > 0 && (
              <div className="bg-base-200 border-linen fixed inset-x-0 bottom-0 z-10 border-t p-3 sm:static sm:mt-4 sm:border-0 sm:p-0">
                <button type="button" className="btn btn-primary w-full" onClick={begin}>
                  {begun ? 'Go on' : 'Begin'} at bed {bedName(left[0]!.bedId)}
                </button>
              </div>
            )}
            {begun && left.length === 0 && (
              <button type="button" className="btn mt-3" onClick={again}>
                Ask the beds again
              </button>
            )}
            {!working && stops.length === 0 && (
              <p className="mt-3">
                A look at any bed is still welcome:{' '}
                {covers
                  .filter((c) => c.sownOn && c.verdict !== 'dead')
                  .map((c) => (
                    <Link key={c.id} className="mr-2 underline" to={`/cover/${c.id}/look`}>
                      {bedName(c.bedId)}
                    </Link>
                  ))}
              </p>
            )}
          </div>
        </div>
      </Page>
    </div>
  );
}
