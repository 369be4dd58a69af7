import { PEBBLE } from './shapes';

/** A place that is no lie of this list: gone, another method's, or only told. */
export function Hollow({ r }: { r: number }) {
  return (
    <>
      <path d={PEBBLE} transform={`scale(${r})`} className="hollow-case" strokeWidth={5 / r} />
      <path
        d={PEBBLE}
        transform={`scale(${r})`}
        className="hollow"
        strokeWidth={1.6 / r}
        strokeDasharray={`${5 / r} ${3.5 / r}`}
      />
    </>
  );
}
