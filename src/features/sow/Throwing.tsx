import { speciesOf } from '../../catalogue/catalogue.ts';
import { portions, throwGroups } from '../../core/seed/weight.ts';
import { showMass } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';
import type { Bed, Cover, Walk } from '../../records/types.ts';
import { BedDrawing } from './BedDrawing.tsx';

/** The walk: one portion at a time, with the way to walk it. */
export function Throwing({
  cover,
  bed,
  walk,
  weights,
  onWalk,
}: {
  cover: Cover;
  bed: Bed;
  walk: Walk;
  weights: { speciesId: string; weigh_g: number }[];
  onWalk(part: Partial<Walk>, label: string): Promise<boolean>;
}) {
  const { garden } = useGarden();
  const groups = throwGroups(weights.map((w) => speciesOf(w.speciesId).seed.thousandSeed_g));
  const done = walk.portionsDone;
  const all = done >= cover.throws;
  const along = done % 2 === 0;
  const share = groups.map((g) =>
    portions(
      g.reduce((s, i) => s + weights[i]!.weigh_g, 0),
      cover.throws,
    ),
  );
  return (
    <section aria-label="The walk">
      <p className="font-display text-3xl font-bold" role="status">
        {all
          ? `All ${cover.throws} portions thrown`
          : `Portion ${done + 1} of ${cover.throws}${done > 0 ? `, ${done} done` : ''}`}
      </p>
      <BedDrawing
        bed={bed}
        along={along}
        thrown={done}
        units={garden.units}
        reached={walk.stopped?.reached}
      />
      {!all && (
        <>
          <ul className="text-xl">
            {groups.map((g, n) => (
              <li key={n}>
                <b>{showMass(share[n]![done]!, garden.units)}</b>{' '}
                {g.map((i) => speciesOf(weights[i]!.speciesId).name.toLowerCase()).join(' with ')}
                {groups.length > 1 &&
                  (n === 0
                    ? ', heavy seed first, in a walk of its own'
                    : ', then the small seed, walked again')}
              </li>
            ))}
          </ul>
          <p className="max-w-2xl">
            Walk <b>{along ? 'lengthways' : 'crosswise'}</b>. Half-filled handfuls, flung flat at every dot.
            At the line marked half, half of the bag should be left.
          </p>
        </>
      )}
      <div className="mt-2 flex flex-wrap gap-3">
        {!all && (
          <button
            type="button"
            className="btn btn-primary text-lg"
            onClick={() =>
              void onWalk({ portionsDone: done + 1, stopped: null }, `portion ${done + 1} of bed ${bed.name}`)
            }
          >
            Portion {done + 1} is thrown
          </button>
        )}
        {done > 0 && (
          <button
            type="button"
            className="btn"
            onClick={() => void onWalk({ portionsDone: done - 1 }, `a portion of bed ${bed.name}`)}
          >
            Not yet: portion {done} again
          </button>
        )}
      </div>
    </section>
  );
}
