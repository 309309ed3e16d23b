import { useState } from 'react';
import { ringArea_m2 } from '../../../core/area/area.ts';
import { boxOf, circle, ell, type Point, rounded, triangle } from '../../../core/ground/shape.ts';
import { parseGround, parseLength_m } from '../../../core/units/length.ts';
import { showLength, type UnitChoice } from '../../../core/units/show.ts';
import { type Result } from '../../../core/result/result.ts';
import { ok } from '../../../core/result/result.ts';
import type { Bed } from '../../../records/types.ts';
import { CommittedField } from '../../../ui/CommittedField.tsx';
import { SelectField } from '../../../ui/fields.tsx';

type Form = 'rectangle' | 'circle' | 'triangle' | 'ell' | 'corners';
const FORMS: [Form, string][] = [
  ['rectangle', 'Rectangle'],
  ['circle', 'Round'],
  ['triangle', 'Triangle'],
  ['ell', 'L'],
  ['corners', 'By its corners'],
];
export type ShapePatch = Pick<Bed, 'width_m' | 'length_m' | 'area_m2' | 'ring'>;

const ofRing = (ring: readonly Point[]): ShapePatch => ({
  ring: ring.map(([x, y]) => [x, y]),
  width_m: null,
  length_m: null,
  area_m2: ringArea_m2(ring),
});
const rectangle = (width_m: number, length_m: number): ShapePatch => ({
  width_m,
  length_m,
  area_m2: width_m * length_m,
  ring: null,
});

/** Size and shape of a bed, typed in any units; what is no rectangle is kept by its corners. */
export function ShapeFields({
  bed,
  units,
  take,
}: {
  bed: Bed;
  units: UnitChoice;
  take(shape: ShapePatch): void;
}) {
  const [form, setForm] = useState<Form>(bed.ring ? 'corners' : 'rectangle');
  const unit = units.length === 'imperial' ? 'ft' : 'm';
  const side = Math.sqrt(bed.area_m2);
  const box = bed.ring ? boxOf(bed.ring) : { width: bed.width_m ?? side, height: bed.length_m ?? side };
  const [w, l] = [box.width, box.height];
  const show = (m: number) => showLength(m, units);
  const length = (text: string): Result<number> => parseLength_m(text, unit);
  function choose(next: Form) {
    setForm(next);
    if (next === 'rectangle') take(rectangle(w, l));
    if (next === 'circle') take(ofRing(circle(Math.min(w, l))));
    if (next === 'triangle') take(ofRing(triangle(w, l)));
    if (next === 'ell') take(ofRing(ell(w, l, w / 2, l / 2)));
    if (next === 'corners' && !bed.ring)
      take(
        ofRing([
          [0, 0],
          [w, 0],
          [w, l],
          [0, l],
        ]),
      );
  }
  const sizes = (make: (a: number, b: number) => ShapePatch, label: string) => (
    <CommittedField
      label={label}
      shown={`${show(w)} x ${show(l)}`}
      read={(text) => {
        const r = parseGround(text, unit);
        return r.ok
          ? ok([
              r.value.width_m ?? Math.sqrt(r.value.area_m2),
              r.value.length_m ?? Math.sqrt(r.value.area_m2),
            ])
          : r;
      }}
      onCommit={([a, b]) => take(make(a!, b!))}
      hint={unit === 'ft' ? '4 x 8, 30 in x 12 ft, 60 sq ft' : '1.2 x 8, 120 cm x 8 m, 4 x 8 ft, 6 m²'}
    />
  );
  return (
    <>
      <SelectField<Form> label="Shape" value={form} options={FORMS} onChange={choose} />
      {form === 'rectangle' && sizes(rectangle, 'Size')}
      {form === 'triangle' && sizes((a, b) => ofRing(triangle(a, b)), 'Base x height')}
      {form === 'ell' && sizes((a, b) => ofRing(ell(a, b, a / 2, b / 2)), 'Outer sides')}
      {form === 'circle' && (
        <CommittedField
          label="Across"
          shown={show(w)}
          read={length}
          onCommit={(d) => take(ofRing(circle(d)))}
        />
      )}
      {(form === 'corners' || form === 'ell') && (
        <p className="text-bark">
          Pull its corners on the plan.{' '}
          {bed.ring && bed.ring.length < 60 && (
            <>
              <button type="button" className="btn btn-sm" onClick={() => take(ofRing(withMore(bed.ring!)))}>
                More corners
              </button>{' '}
              <button
                type="button"
                className="btn btn-sm"
                onClick={() => take(ofRing(rounded(bed.ring!, 2)))}
              >
                Round it off
              </button>
            </>
          )}
        </p>
      )}
    </>
  );
}

/** A corner more in the middle of every side. */
const withMore = (ring: readonly Point[]): Point[] =>
  ring.flatMap((p, i) => {
    const q = ring[(i + 1) % ring.length]!;
    return [p, [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2] as const];
  });
