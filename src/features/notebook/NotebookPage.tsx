import { NavLink, useParams } from 'react-router';
import { Book } from './Book.tsx';
import { Came } from './Came.tsx';
import { Happenings } from './Happenings.tsx';
import { Years } from './Years.tsx';
import { NextYears } from './NextYears.tsx';
import { SeasonStory } from './SeasonStory.tsx';
import { Trials } from './Trials.tsx';

const PARTS = [
  ['', 'What happened'],
  ['came', 'What came of it'],
  ['years', 'Years side by side'],
  ['trials', 'Trials'],
  ['next', 'What next year'],
  ['story', 'A season’s story'],
] as const;

/** What happened, what came of it, the years side by side, and trials; beside it what the garden has shown. */
export default function NotebookPage() {
  const { part = '' } = useParams();
  const withBook = part === 'came';
  return (
    <main id="main" className="mx-auto w-full max-w-[84rem] px-4 py-6 sm:px-6">
      <h1 className="font-display text-2xl font-bold">Notebook</h1>
      <nav
        aria-label="Parts of the notebook"
        className="max-sm:runs-on mt-2 mb-4 flex gap-x-6 whitespace-nowrap"
      >
        {PARTS.map(([to, label]) => (
          <NavLink
            key={to}
            end
            to={`/notebook${to && `/${to}`}`}
            className={({ isActive }) =>
              `border-b-3 py-2 ${isActive ? 'border-madder font-bold' : 'border-transparent'}`
            }
          >
            {label}
          </NavLink>
        ))}
      </nav>
      <div className={withBook ? 'grid gap-10 lg:grid-cols-[minmax(0,1fr)_20rem]' : ''}>
        <div className="min-w-0">
          {part === 'came' ? (
            <Came />
          ) : part === 'years' ? (
            <Years />
          ) : part === 'trials' ? (
            <Trials />
          ) : part === 'next' ? (
            <NextYears />
          ) : part === 'story' ? (
            <SeasonStory />
          ) : (
            <Happenings />
          )}
        </div>
        {withBook && <Book />}
      </div>
    </main>
  );
}
