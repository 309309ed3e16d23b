import type { readBedList } from '../../records/files/listIn.ts';
import { type Column } from '../../records/files/listIn.ts';

export type Kind = 'beds' | 'seed';

export const LABELS: Record<Column, string> = {
  bed: 'Bed',
  size: 'Size',
  width: 'Width',
  length: 'Length',
  block: 'Block',
  crop: 'Crop',
  planted: 'Planted',
  out: 'Out',
  kind: 'Kind',
  weight: 'Weight',
  year: 'Year',
  label: 'Label',
};

export const KEEP = '';

export type ListRead = ReturnType<typeof readBedList>;
