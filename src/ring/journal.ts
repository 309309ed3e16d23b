import { movedWords } from '../ui/movedWords.ts';
import { testedWords } from '../ui/soilTestWords.ts';
import { showMass, showRain, showVolume } from '../core/units/show.ts';
import { IRRIGATION_MM } from '../core/stand/waterings.ts';
import { litresFor } from '../core/watering/watering.ts';
import { lookWords } from './lookWords.ts';
import { coverTitle, cropOf, findCrop, speciesOf } from '../catalogue/catalogue.ts';
import { type Job } from '../core/jobs/jobs.ts';
import type { GardenContents } from '../records/verbs/verbs.ts';
import { isLasting } from '../core/strips/life.ts';
import { DEED_WORDS, stripTitle } from '../ui/stripWords.ts';
import { PASS_WORDS } from '../ui/methodWords.ts';
import { seedNeeded, sownArea_m2, weightsOf } from '../questions/weights.ts';

/** Something that happened on a bed, as the notebook and the journal file tell it. */
export interface Happening {
  key: string;
  on: string;
  bedId: string;
  what: string;
  detail: string;
  kind: 'planting' | 'cover' | 'look' | 'note' | 'watering';
  refId: string;
  /** Which of the record's waterings it is. */
  index?: number;
}

/** Everything done, in order. Plans are not in it. */
export function happenings(c: GardenContents): Happening[] {
  const out: Happening[] = [];
  for (const p of c.plantings) {
    const name = cropOf(p.cropId).name;
    if (p.plantedOn)
      out.push({
        key: `${p.id}p`,
        on: p.plantedOn,
        bedId: p.bedId,
        what: `Planted ${name.toLowerCase()}`,
        detail: p.way === 'seed' ? 'from seed' : 'transplants',
        kind: 'planting',
        refId: p.id,
      });
    if (p.clearedOn)
      out.push({
        key: `${p.id}c`,
        on: p.clearedOn,
        bedId: p.bedId,
        what: `Cleared ${name.toLowerCase()}`,
        detail: p.note,
        kind: 'planting',
        refId: p.id,
      });
  }
  for (const v of c.covers) {
    const name = coverTitle(v).toLowerCase();
    if (v.sownOn)
      out.push({
        key: `${v.id}s`,
        on: v.sownOn,
        bedId: v.bedId,
        what: `Sowed ${name}`,
        detail: v.seed
          .map((s) =>
            s.used_g === null
              ? ''
              : `${showMass(s.used_g, c.garden.units)} ${speciesOf(s.speciesId).name.toLowerCase()}`,
          )
          .join(', '),
        kind: 'cover',
        refId: v.id,
      });
    v.passes.forEach((p, i) => {
      if (p.doneOn)
        out.push({
          key: `${v.id}${i}`,
          on: p.doneOn,
          bedId: v.bedId,
          what: PASS_WORDS[p.kind]?.title ?? p.kind,
          detail: name,
          kind: 'cover',
          refId: v.id,
        });
    });
    v.waterings.forEach((w, i) =>
      out.push({
        key: `${v.id}w${i}`,
        on: w.on,
        bedId: v.bedId,
        what: `Watered ${showRain(w.mm, c.garden.units)}`,
        detail: name,
        kind: 'watering',
        refId: v.id,
        index: i,
      }),
    );
    if (v.endedOn)
      out.push({
        key: `${v.id}e`,
        on: v.endedOn,
        bedId: v.bedId,
        what: 'Seen dead',
        detail: name,
        kind: 'cover',
        refId: v.id,
      });
  }
  for (const l of c.looks) {
    out.push({
      key: l.id,
      on: l.on,
      bedId: l.bedId,
      what: 'Look',
      detail: lookWords(l, c.garden.units),
      kind: 'look',
      refId: l.id,
    });
  }
  for (const n of c.notes)
    out.push({
      key: n.id,
      on: n.on,
      bedId: n.bedId,
      what: n.moved ? 'Carried' : n.tested ? 'Soil test' : 'Note',
      detail: [n.moved && movedWords(n.moved, c.garden.units), n.tested && testedWords(n.tested), n.text]
        .filter(Boolean)
        .join('. '),
      kind: 'note',
      refId: n.id,
    });
  return out.sort((a, b) => b.on.localeCompare(a.on) || a.key.localeCompare(b.key));
}

/** A job in words, and where it is done. */
export function jobWords(job: Job, c: GardenContents): { title: string; detail: string; to: string } {
  const bed = c.beds.find((b) => b.id === job.bedId);
  const name = bed?.name ?? '?';
  const cover = c.covers.find((v) => v.id === job.refId);
  const crop =
    findCrop(c.plantings.find((p) => p.id === job.refId)?.cropId ?? '')?.name.toLowerCase() ?? 'crop';
  const use = bed?.piece?.use;
  const strip = bed?.life && isLasting(use) ? stripTitle(use, bed.life.what) : '';
  const stand = cover ? coverTitle(cover).toLowerCase() : '';
  switch (job.kind) {
    case 'sow': {
      const grams = bed && cover ? weightsOf(cover, bed).reduce((s, w) => s + w.weigh_g, 0) : 0;
      return {
        title:
          cover && !seedNeeded(cover)
            ? `Wake the shed seed on bed ${name}`
            : `Sow bed ${name}: ${showMass(grams, c.garden.units)}`,
        detail: `${stand}, ${cover?.throws ?? 2} throws`,
        to: `/cover/${job.refId}/sow`,
      };
    }
    case 'water': {
      const litres = bed && cover ? litresFor(IRRIGATION_MM, sownArea_m2(cover, bed)) : 0;
      return {
        title: `Water bed ${name}: ${showRain(IRRIGATION_MM, c.garden.units)}`,
        detail: `${stand}, ${showVolume(litres, c.garden.units)}`,
        to: `/cover/${job.refId}/sow`,
      };
    }
    case 'look':
      return { title: `Look at bed ${name}`, detail: stand, to: `/cover/${job.refId}/look` };
    case 'pass': {
      const pass = PASS_WORDS[cover?.passes[job.pass ?? 0]?.kind ?? ''];
      return {
        title: `${pass?.title ?? 'Work'}: bed ${name}`,
        detail: stand,
        to: `/cover/${job.refId}/terminate`,
      };
    }
    case 'check':
      return {
        title: `Is bed ${name} dead?`,
        detail: `${stand}: part the mat, look at the crowns`,
        to: `/cover/${job.refId}/terminate`,
      };
    case 'plant':
      return { title: `Plant ${crop} on bed ${name}`, detail: '', to: `/bed/${job.bedId}` };
    case 'mow':
    case 'trim':
    case 'straw':
    case 'mend':
      return {
        title: `${DEED_WORDS[job.kind].todo}: ${name}`,
        detail: strip,
        to: `/bed/${job.bedId}`,
      };
    case 'lift':
      return { title: `Lift the film: ${name}`, detail: strip, to: `/bed/${job.bedId}` };
    case 'renew':
      return { title: `Make anew: ${name}`, detail: strip, to: `/bed/${job.bedId}` };
    case 'clear':
      return { title: `Clear ${crop} from bed ${name}`, detail: 'then sow at once', to: `/bed/${job.bedId}` };
  }
}
