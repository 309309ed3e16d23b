import { type AimStrands } from '../aims/aims.ts';
import { type Day } from '../calendar/day.ts';
import { type NextCrop } from '../residue/wait.ts';
import { type Site } from '../site/site.ts';
import { type Soil } from '../soil/soil.ts';
import { type SowingWay } from '../stand/emergence.ts';
import { type Shift } from '../stand/shift.ts';
import { type MethodHere } from '../termination/method.ts';
import { type BedNotes } from '../known/known.ts';
import { type Candidate } from './sample.ts';

export interface Gap {
  /** First day on which the ground is free. */
  freeDay: Day;
  plantDay: Day;
  next: NextCrop;
}

export interface ChooseInput {
  site: Site;
  soil: Soil;
  way: SowingWay;
  /** Seed is kept moist until it is up. */
  watered: boolean;
  /** The standing cover is watered through dry weeks. */
  irrigated?: boolean;
  gap: Gap;
  aims: AimStrands[];
  candidates: Candidate[];
  methods: MethodHere[];
  bed: BedNotes;
  /** Who must be kept from harm: words used in the catalogue's hazards. */
  keepsSafe: string[];
  hazards: Record<string, { to: string; text: string }[]>;
  /** What this garden has shown, by kind and under '' for all others, where its gardener lets it. */
  learnt?: Record<string, Shift>;
  years: number;
}
