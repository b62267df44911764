import { XMLParser } from 'fast-xml-parser';

/** One recorded point; degrees, metres, seconds since 1970. NaN where the file says nothing. */
export interface TrackPoints {
  readonly name: string;
  readonly lat: Float64Array;
  readonly lon: Float64Array;
  readonly elevationM: Float64Array;
  readonly timeS: Float64Array;
}

export type GpxProblem = 'notGpx' | 'noPoints';

interface RawPoint {
  readonly lat?: string;
  readonly lon?: string;
  readonly ele?: string;
  readonly time?: string;
}
interface RawLine {
  readonly name?: string;
  readonly trkseg?: readonly { readonly trkpt?: readonly RawPoint[] }[];
  readonly rtept?: readonly RawPoint[];
}

const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '',
  parseTagValue: false,
  parseAttributeValue: false,
  processEntities: false,
  isArray: (name) => ['trk', 'trkseg', 'trkpt', 'rte', 'rtept'].includes(name),
});

/** Reads the tracks of a GPX 1.0 or 1.1 file (or its routes, where it has no track), all segments one after another. */
export function readGpx(text: string): TrackPoints | GpxProblem {
  if (!/<gpx[\s>]/i.test(text.slice(0, 4000))) return 'notGpx';
  let root: { trk?: readonly RawLine[]; rte?: readonly RawLine[] } | undefined;
  try {
    root = (parser.parse(text) as { gpx?: typeof root }).gpx;
  } catch {
    // The parser throws on broken XML: whatever it is, it is no GPX.
    return 'notGpx';
  }
  if (root === undefined) return 'notGpx';
  // An empty element is read as an empty text.
  const tracks = (typeof root === 'object' && root.trk) || [];
  const routes = (typeof root === 'object' && root.rte) || [];
  const points = tracks.flatMap((line) => (line.trkseg ?? []).flatMap((segment) => segment.trkpt ?? []));
  const used = points.length > 0 ? points : routes.flatMap((line) => line.rtept ?? []);
  if (used.length < 2) return 'noPoints';
  const column = (read: (point: RawPoint) => number) => Float64Array.from(used, read);
  const number = (value: string | undefined) => (value === undefined || value === '' ? Number.NaN : Number(value));
  return {
    name: String(tracks[0]?.name ?? routes[0]?.name ?? '').slice(0, 60),
    lat: column((p) => number(p.lat)),
    lon: column((p) => number(p.lon)),
    elevationM: column((p) => number(p.ele)),
    timeS: column((p) => (p.time === undefined ? Number.NaN : Date.parse(p.time) / 1000)),
  };
}
