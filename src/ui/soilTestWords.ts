import { type SoilTestKind } from '../core/years/soilTests.ts';

export const SOIL_TEST_NAMES: Record<SoilTestKind, string> = {
  ph: 'pH',
  humus: 'Humus, %',
  phosphorus: 'Phosphorus, mg/kg',
  potassium: 'Potassium, mg/kg',
  magnesium: 'Magnesium, mg/kg',
};

export const testedWords = ({ what, value }: { what: SoilTestKind; value: number }): string => {
  const [name, unit] = SOIL_TEST_NAMES[what].split(', ');
  return `${name} ${value}${unit ? ` ${unit}` : ''}`;
};
