import placesData from './data/places.json' with { type: 'json' };

/** A place with its monthly normals, about 1991-2020; recalled, of the confidence it says: approximate figures, to be corrected by who lives there. */
export interface Place {
  id: string;
  name: string;
  /** Two letters of ISO 3166. */
  country: string;
  latitude_deg: number;
  longitude_deg: number;
  elevation_m: number;
  coastal: boolean;
  tmax_c: number[];
  tmin_c: number[];
  rain_mm: number[];
  /** Mean over years of the coldest night. */
  coldestNight_c: number;
  /** Usual last and first frost of the screen, days of year 0..365; missing where most years have none. Within about eight days. */
  lastFrost_doy?: number;
  firstFrost_doy?: number;
  confidence: string;
}

export const places = placesData as Place[];

/** Letters without accents and marks, in lower case: "São Paulo" is found as "sao paulo". */
export const folded = (text: string): string =>
  text
    .normalize('NFD')
    .replaceAll(/\p{M}/gu, '')
    .replaceAll('ø', 'o')
    .replaceAll('ß', 'ss')
    .toLowerCase()
    .trim();

/** Places whose name begins with what is typed, then those that hold it, at most so many; `countryName` gives a country's name to search by as well. */
export function findPlaces(typed: string, countryName: (code: string) => string, most = 8): Place[] {
  const wanted = folded(typed);
  if (wanted === '') return [];
  const rank = (p: Place): number => {
    const name = folded(p.name);
    if (name.startsWith(wanted)) return 0;
    if (name.split(/[\s-]/).some((w) => w.startsWith(wanted))) return 1;
    if (name.includes(wanted)) return 2;
    return folded(countryName(p.country)).startsWith(wanted) ? 3 : 9;
  };
  return places
    .map((p) => ({ p, r: rank(p) }))
    .filter((x) => x.r < 9)
    .sort((a, b) => a.r - b.r || a.p.name.localeCompare(b.p.name))
    .slice(0, most)
    .map((x) => x.p);
}
