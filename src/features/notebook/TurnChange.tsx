import { crops } from '../../catalogue/catalogue.ts';
import { type Turn } from '../../core/rotation/rules.ts';
import { SelectField } from '../../ui/fields.tsx';

/** More than three one after the other is a market gardener's strip, and is planned planting by planting. */
const MOST = 3;
const NOTHING = '';
const byName = [...crops].sort((a, b) => a.name.localeCompare(b.name)).map((c) => [c.id, c.name] as const);

/** Other crops for a bed in a year, one after the other. */
export function TurnChange({
  title,
  turn,
  put,
  rest,
  done,
}: {
  title: string;
  turn: Turn;
  /** Another crop at a place, one more behind the last, or, without one, none there. */
  put(place: number, cropId: string | undefined): void;
  rest(): void;
  done(): void;
}) {
  const fields = turn.length < MOST ? [...turn, NOTHING] : turn;
  return (
    <section
      aria-label={`What grows on ${title}`}
      className="bg-linen sticky bottom-0 z-30 mt-3 px-4 py-3 shadow-lg"
    >
      <h3 className="font-display text-lg font-bold">{title}</h3>
      <div className="mt-1 flex flex-wrap items-end gap-3">
        {fields.map((id, i) => (
          <div key={i} className="w-36 sm:w-44">
            <SelectField
              label={i === 0 ? 'First' : 'Then'}
              value={id}
              options={[[NOTHING, i === 0 ? 'rests in clover' : 'nothing more'] as const, ...byName]}
              onChange={(to) =>
                i === 0 && to === NOTHING ? rest() : put(i, to === NOTHING ? undefined : to)
              }
            />
          </div>
        ))}
        <button type="button" className="btn" onClick={done}>
          Done
        </button>
      </div>
    </section>
  );
}
