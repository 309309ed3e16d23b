import { cropOf, crops, sowingWays } from '../../catalogue/catalogue.ts';
import { DateField, SelectField } from '../../ui/fields.tsx';
import { type GapForm } from './useGapForm.ts';

const CROPS = crops.map((c) => [c.id, c.name] as const);

/** What leaves, what comes, when and how, and how the cover is sown. */
export function GapFields({ form }: { form: GapForm }) {
  const crop = cropOf(form.nextId);
  return (
    <div className="mt-2 grid gap-3 sm:grid-cols-3 lg:grid-cols-6">
      <SelectField
        label="What leaves"
        value={form.before}
        options={[['', 'nothing'], ...CROPS]}
        onChange={form.setBefore}
      />
      <DateField label="Ground free on" value={form.free} onChange={form.setFree} />
      <SelectField label="What comes next" value={form.nextId} options={CROPS} onChange={form.setNextId} />
      <SelectField<'seed' | 'transplant'>
        label="Planted as"
        value={form.way}
        options={crop.ways.map((w) => [w, w === 'seed' ? 'seed' : 'transplants'])}
        onChange={form.setNextWay}
      />
      <DateField label="Planting day" value={form.plantOn} onChange={form.setPlantOn} />
      <SelectField
        label="Way of sowing"
        value={form.wayId}
        options={sowingWays.map((w) => [w.id, w.name] as const)}
        onChange={form.setWayId}
      />
    </div>
  );
}
