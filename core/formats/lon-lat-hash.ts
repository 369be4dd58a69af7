import { fnv1a64 } from '../grid/index';

/** Hash of a geometry's coordinates as written: tells whether another program moved them. */
export const lonLatHash = (geometry: { [key: string]: unknown }) =>
  fnv1a64(JSON.stringify([geometry.type, geometry.coordinates]));
