import { fieldWords } from '../ui/fieldWords.ts';
import { Redo2, Undo2 } from 'lucide-react';
import { NavLink, useNavigate } from 'react-router';
import { isMadeUp, useGardens } from '../ring/gardens.ts';
import { useEffect } from 'react';
import { remember, useCopies, useCopyAge } from '../ring/staying.ts';
import { copyWords, urge } from '../ui/copyWords.ts';
import { redo, type Turned, undo } from '../records/write.ts';
import { realToday, useGarden } from '../ring/garden.tsx';
import { changeGarden } from '../records/commands/change.ts';
import { showIsoYear, showWeekday } from '../ui/dates.ts';
import { DateInput } from '../ui/DateInput.tsx';
import { Mark } from '../ui/Mark.tsx';

const PLACES = [
  ['/', 'Cloth'],
  ['/rounds', 'Rounds'],
  ['/bench', 'Seed bench'],
  ['/yard', 'Yard'],
  ['/ground', 'Ground'],
  ['/shared', 'Shared'],
  ['/notebook', 'Notebook'],
  ['/covers', 'Covers'],
  ['/keep', 'Keep'],
] as const;

export function Header({ say, open }: { say(text: string): void; open(gardenId: string): void }) {
  const { garden, today, hands, run } = useGarden();
  useCopies(garden);
  const turn = async (which: typeof undo, word: string) => {
    const result = await which(hands.db, garden.id, { at: hands.now(), by: hands.device });
    if (result.ok) say(turnedWords(word, result.value));
    else await run(Promise.resolve(result));
  };
  return (
    <header className="border-warp bg-paper border-b">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-0 px-4 py-1 sm:gap-x-6 sm:px-6 sm:py-2 sm:max-2xl:gap-x-4">
        <NavLink to="/" className="flex items-center gap-2" aria-label="Kilim, to the cloth">
          <Mark />
          <span className="font-display text-xl font-extrabold max-sm:sr-only">Kilim</span>
        </NavLink>
        <nav
          aria-label="Places"
          className="max-sm:runs-on flex gap-x-5 max-2xl:gap-x-4 max-sm:min-w-0 max-sm:flex-1 sm:flex-wrap"
        >
          {PLACES.map(([to, label]) => (
            <NavLink
              key={to}
              to={to}
              end={to === '/'}
              className={({ isActive }) =>
                `border-b-3 py-1 whitespace-nowrap ${isActive ? 'border-madder font-bold' : 'border-transparent'}`
              }
            >
              {label}
            </NavLink>
          ))}
        </nav>
        <div className="flex items-center gap-1 max-sm:w-full sm:ml-auto sm:flex-wrap sm:gap-2 lg:flex-nowrap">
          <Gardens openId={garden.id} open={open} />
          <button type="button" className="btn btn-ghost btn-sm" onClick={() => void turn(undo, 'Undone')}>
            <Undo2 size={16} strokeWidth={1.5} /> <span className="max-2xl:sr-only">Undo</span>
          </button>
          <button
            type="button"
            className="btn btn-ghost btn-sm"
            onClick={() => void turn(redo, 'Done again')}
          >
            <Redo2 size={16} strokeWidth={1.5} /> <span className="max-2xl:sr-only">Redo</span>
          </button>
          {garden.seasonClock ? (
            <div
              className="border-madder flex items-center gap-2 border-2 px-2 py-0.5 text-sm max-sm:ml-auto"
              title="This date is pretended. Move it to see the season go on."
            >
              <span className="text-madder font-bold max-sm:sr-only">
                <span className="max-2xl:hidden">Season clock, </span>pretended
              </span>
              <DateInput
                label="Season clock: the pretended date"
                className="w-24 bg-transparent"
                value={garden.seasonClock}
                onChange={(seasonClock) =>
                  void run(changeGarden(hands, garden.id, 'moving the season clock', () => ({ seasonClock })))
                }
              />
            </div>
          ) : (
            <span className="whitespace-nowrap">{`${showWeekday(today)} ${showIsoYear(today)}`}</span>
          )}
        </div>
      </div>
      {!isMadeUp(garden.id) && <CopyNotice gardenId={garden.id} name={garden.name} />}
    </header>
  );
}

const turnedWords = (word: string, { label, stayed }: Turned): string =>
  stayed.length === 0
    ? `${word}: ${label}.`
    : `${word}: ${label}. Left as it is, since it was written anew since: ${[...new Set(stayed.map(fieldWords))].join(', ')}.`;

const ANOTHER = 'another';

/** Which garden is open, and the way to another. */
function Gardens({ openId, open }: { openId: string; open(id: string): void }) {
  const gardens = useGardens();
  const navigate = useNavigate();
  return (
    <select
      aria-label="Open garden"
      className="select select-sm bg-paper min-w-0 font-semibold max-sm:flex-1 sm:max-w-44"
      value={openId}
      onChange={(e) => (e.target.value === ANOTHER ? void navigate('/new') : open(e.target.value))}
    >
      {gardens.map((g) => (
        <option key={g.id} value={g.id}>
          {g.name}
          {g.madeUp ? ' (made up)' : ''}
        </option>
      ))}
      <option value={ANOTHER}>Another garden…</option>
    </select>
  );
}

/** Says that a copy is due, quietly and then plainly; nothing while all is well. */
function CopyNotice({ gardenId, name }: { gardenId: string; name: string }) {
  const age = useCopyAge(gardenId);
  const copy = age?.at ?? null;
  useEffect(() => {
    if (age) remember(name, realToday(), copy?.slice(0, 10) ?? null);
  }, [age, name, copy]);
  const how = age ? urge(age) : 'none';
  if (!age || how === 'none') return null;
  return (
    <p
      className={`px-4 py-1 text-sm sm:px-6 ${how === 'plain' ? 'bg-madder text-paper font-semibold' : 'text-bark'}`}
    >
      {copyWords(age)}{' '}
      <NavLink to="/keep" className="underline">
        Take a copy out
      </NavLink>
    </p>
  );
}
