import { useState } from 'react';
import { Link } from 'react-router';
import { coverName, madeFrom, mixes, species } from '../../catalogue/catalogue.ts';
import { pageOf } from '../../catalogue/pages.ts';
import { SeedMark } from '../../ui/drawings/Seed.tsx';
import { Page } from '../../ui/parts.tsx';
import { Swatch } from '../../ui/Weave.tsx';

const SEASONS = [
  ['all', 'All'],
  ['cool', 'Cool season'],
  ['warm', 'Warm season'],
  ['mixes', 'Mixes'],
] as const;

/** Every kind and mix that can be sown; each leads to a page of its own. */
export default function CoversPage() {
  const [season, setSeason] = useState<(typeof SEASONS)[number][0]>('all');
  const [find, setFind] = useState('');
  const wanted = find.trim().toLowerCase();
  const found = species.filter(
    (s) =>
      (season === 'all' || s.season === season || s.season === 'both') &&
      `${s.name} ${s.latin} ${s.family}`.toLowerCase().includes(wanted),
  );
  const foundMixes = mixes.filter((m) => `${m.name} ${coverName(m.members)}`.toLowerCase().includes(wanted));
  return (
    <Page title="Covers" lead="What can be sown, with the figures that every answer is computed from.">
      <div className="flex flex-wrap items-end gap-4">
        <label className="flex flex-col gap-1">
          <span className="font-semibold">Find by name or family</span>
          <input className="input max-w-xs" value={find} onChange={(e) => setFind(e.target.value)} />
        </label>
        <div role="group" aria-label="Which covers" className="flex flex-wrap gap-2">
          {SEASONS.map(([id, label]) => (
            <button
              key={id}
              type="button"
              aria-pressed={season === id}
              className={`border-warp border px-3 py-2 ${season === id ? 'bg-walnut text-paper' : 'bg-paper'}`}
              onClick={() => setSeason(id)}
            >
              {label}
            </button>
          ))}
        </div>
      </div>
      {season !== 'mixes' && (
        <ul className="mt-5 grid gap-x-8 sm:grid-cols-2 lg:grid-cols-3">
          {found.map((s) => (
            <li key={s.id} className="border-linen border-t py-3">
              <h2 className="font-display flex items-center gap-2 text-lg font-bold">
                <Swatch motif={s.role} />
                <Link to={`/covers/${s.id}`} className="underline decoration-1 underline-offset-4">
                  {s.name}
                </Link>
                {madeFrom(s.id) && <span className="text-madder text-sm font-bold">your own</span>}
                <span className="ml-auto">
                  <SeedMark look={pageOf(s.id).seedLook} />
                </span>
              </h2>
              <p className="text-bark text-sm italic">{s.latin}</p>
              <p>{s.character}</p>
            </li>
          ))}
        </ul>
      )}
      {(season === 'mixes' || season === 'all') && foundMixes.length > 0 && (
        <section>
          <h2 className="font-display mt-8 text-xl font-bold">Mixes</h2>
          <ul className="mt-2 grid gap-x-8 sm:grid-cols-2 lg:grid-cols-3">
            {foundMixes.map((m) => (
              <li key={m.id} className="border-linen border-t py-3">
                <h3 className="font-display text-lg font-bold">
                  <Link to={`/covers/${m.id}`} className="underline decoration-1 underline-offset-4">
                    {m.name}
                  </Link>
                </h3>
                <p>{m.why}</p>
              </li>
            ))}
          </ul>
        </section>
      )}
      {found.length === 0 && foundMixes.length === 0 && (
        <p className="mt-5">Nothing by that name. Try a part of it, or a family such as Poaceae.</p>
      )}
    </Page>
  );
}
