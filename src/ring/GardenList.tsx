import { wipeGarden } from '../records/verbs/verbs.ts';
import { type Failure } from '../core/result/result.ts';
import { hands } from './garden.tsx';
import { useGardens } from './gardens.ts';

interface Props {
  /** The garden that is open, if one is. */
  openId: string | null;
  open(id: string): void;
  /** An open garden was put away. */
  gone(): void;
  tell(f: Failure): void;
}

/** Every garden of this browser: opened with a tap; one that is made up can be put away again. */
export function GardenList({ openId, open, gone, tell }: Props) {
  const gardens = useGardens();
  if (gardens.length === 0) return null;
  const putAway = async (id: string) => {
    const r = await wipeGarden(hands, id);
    if (!r.ok) return tell(r.failure);
    if (id === openId) gone();
  };
  return (
    <section aria-labelledby="gardens-title">
      <h2 id="gardens-title" className="font-display text-xl font-bold">
        Gardens in this browser
      </h2>
      <ul className="mt-2">
        {gardens.map((g) => (
          <li key={g.id} className="border-linen flex flex-wrap items-center gap-3 border-t py-2">
            <span className="min-w-32 flex-1">
              <span className="font-semibold">{g.name}</span>
              {g.madeUp && <span className="text-bark">, made up</span>}
            </span>
            {g.id === openId ? (
              <span className="text-bark">open</span>
            ) : (
              <button type="button" className="btn btn-sm" onClick={() => open(g.id)}>
                Open {g.name}
              </button>
            )}
            {g.madeUp && (
              <button type="button" className="btn btn-ghost btn-sm" onClick={() => void putAway(g.id)}>
                Put {g.name} away
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
