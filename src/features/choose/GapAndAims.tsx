import { useMemo, useState, useSyncExternalStore } from 'react';
import { aims as aimList } from '../../catalogue/catalogue.ts';
import { type AimStrands } from '../../core/aims/aims.ts';
import { type Day } from '../../core/calendar/day.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showDay } from '../../ui/dates.ts';
import { DryWeeks } from '../../ui/DryWeeks.tsx';
import { aimsWords, plantingWords } from '../../ui/offerWords.ts';
import { Strands } from '../../ui/parts.tsx';
import { GapFields } from './GapFields.tsx';
import { type GapForm } from './useGapForm.ts';

/** The gap, what is offered for it, and the aims; a phone shows the answer first and unfolds these above it. */
export function GapAndAims({ form, freeDay, plantDay }: { form: GapForm; freeDay: Day; plantDay: Day }) {
  const { garden } = useGarden();
  const wide = useWide();
  const [unfolded, setUnfolded] = useState(false);
  return (
    <details
      className="mt-1"
      open={wide || unfolded || !form.valid}
      onToggle={(e) => setUnfolded(e.currentTarget.open)}
    >
      <summary className="cursor-pointer py-2 font-semibold sm:hidden">
        Free {showDay(freeDay)}, {form.crop.name.toLowerCase()} {showDay(plantDay)}: change the gap or the
        aims
      </summary>
      <GapFields form={form} />
      {form.changed && (
        <button type="button" className="btn btn-sm mt-2" onClick={form.forget}>
          Back to what is planned
        </button>
      )}
      {form.offer && (
        <p className="text-bark mt-1 text-sm">{plantingWords(form.offer, form.crop.name, garden.units)}</p>
      )}
      {form.thirst && (
        <DryWeeks
          thirst={form.thirst}
          units={garden.units}
          checked={form.irrigated}
          onChange={form.setIrrigated}
        />
      )}
      {form.offeredAims.length > 0 && (
        <p className="text-bark mt-1 text-sm">{aimsWords(form.offeredAims, form.crop.name)}</p>
      )}
      <AimStrip aims={form.aims} setAims={form.setAims} />
    </details>
  );
}

const WIDE = '(min-width: 640px)';

/** Whether the screen has room for the fields beside the answer. */
function useWide(): boolean {
  const query = useMemo(() => window.matchMedia(WIDE), []);
  return useSyncExternalStore(
    (changed) => {
      query.addEventListener('change', changed);
      return () => query.removeEventListener('change', changed);
    },
    () => query.matches,
  );
}

function AimStrip({ aims, setAims }: { aims: AimStrands[]; setAims(aims: AimStrands[]): void }) {
  return (
    <div className="mt-3 flex flex-wrap gap-2" role="group" aria-label="Aims, one to three strands each">
      {aimList.map((a) => (
        <Strands
          key={a.id}
          label={a.name}
          value={aims.find((x) => x.id === a.id)?.strands ?? 0}
          onChange={(n) => {
            const others = aims.filter((x) => x.id !== a.id);
            setAims(n === 0 ? others : [...others, { id: a.id, strands: n }]);
          }}
        />
      ))}
    </div>
  );
}
