import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { Link } from 'react-router';
import { useGarden } from '../../ring/garden.tsx';
import { isMadeUp } from '../../ring/gardens.ts';
import { tourSteps } from './tour.ts';

const KEY = 'kilim.tour';

function putAway(): boolean {
  try {
    return localStorage.getItem(KEY) === 'away';
  } catch {
    return false;
  }
}

/** In a made-up garden: a season to be tried, one thing after the other, each ticked once it was really done. */
export function Tour() {
  const { garden, beds, plantings, covers, today, hands } = useGarden();
  const [away, setAway] = useState(putAway);
  const deeds = useLiveQuery(
    () =>
      hands.db.log
        .where({ gardenId: garden.id, undone: 0 })
        .toArray()
        .then((all) => new Set(all.map((e) => e.verb)))
        .catch(() => new Set<string>()),
    [garden.id],
  );
  if (!isMadeUp(garden.id) || away || !deeds) return null;
  const steps = tourSteps({ garden, beds, plantings, covers }, deeds, today);
  const next = steps.find((s) => !s.done);
  const close = () => {
    try {
      localStorage.setItem(KEY, 'away');
    } catch {
      // Storage is denied: it comes back with the next visit.
    }
    setAway(true);
  };
  return (
    <section aria-label="Try it" className="border-indigo mb-4 border-l-4 pl-3">
      <h2 className="font-display text-lg font-bold">
        {next
          ? `Try it: ${steps.filter((s) => s.done).length} of ${steps.length} done`
          : 'You have seen a season'}
      </h2>
      {next ? (
        <>
          <p>{next.words}.</p>
          <Link className="btn btn-sm btn-primary mt-1" to={next.to}>
            Show me
          </Link>
        </>
      ) : (
        <>
          <p>Nothing here is anybody’s garden. Yours takes a few minutes.</p>
          <Link className="btn btn-sm btn-primary mt-1" to="/new">
            Begin my own garden
          </Link>
        </>
      )}
      <button type="button" className="ml-3 text-sm underline" onClick={close}>
        Put this away
      </button>
    </section>
  );
}
