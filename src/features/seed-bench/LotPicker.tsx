import { showMass } from '../../core/units/show.ts';
import { type Patch } from '../../records/commands/change.ts';
import type { Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { SelectField } from '../../ui/fields.tsx';
import { germinationOf } from '../../questions/needs.ts';

/** Where this kind's seed comes from. Treated lots are not offered where anything is eaten. */
export function LotPicker({
  cover,
  speciesId,
  onChange,
}: {
  cover: Cover;
  speciesId: string;
  onChange(patch: Patch<Cover>, label: string): void;
}) {
  const { lots, garden, today } = useGarden();
  const fit = lots.filter((l) => l.speciesId === speciesId && !(cover.eaten && l.treated));
  const held = lots.some((l) => l.speciesId === speciesId && cover.eaten && l.treated);
  const now = cover.seed.find((s) => s.speciesId === speciesId);
  if (fit.length === 0 && !held) return null;
  const pick = (lotId: string) => {
    const lot = lots.find((l) => l.id === lotId);
    const part = lot
      ? {
          lotId,
          germination: Math.round(germinationOf(lot, today) * 100) / 100,
          // What sprouted in a test leaves hard seed out already.
          hard: 0,
          purity: lot.purity,
          coating: lot.coating,
        }
      : { lotId: null };
    onChange(
      ({ seed }) => ({ seed: seed.map((s) => (s.speciesId === speciesId ? { ...s, ...part } : s)) }),
      'the lot of a sowing',
    );
  };
  return (
    <div className="mt-2 max-w-xl">
      <SelectField
        label="From the shelf"
        value={now?.lotId ?? ''}
        options={[
          ['', 'not from the shelf'] as const,
          ...fit.map(
            (l) =>
              [
                l.id,
                `${l.label || 'lot'} ${l.year}, ${showMass(l.left_g, garden.units)} left, ${Math.round(germinationOf(l, today) * 100)} in 100 grow${l.treated ? ', treated' : ''}`,
              ] as const,
          ),
        ]}
        onChange={pick}
        hint={held ? 'A treated lot is on the shelf; it is not offered for what will be eaten.' : undefined}
      />
    </div>
  );
}
