import { PEBBLE } from './shapes';
import drawn from './marks.module.css';

/** A place that is no lie of this list: gone, another method's, or only told. */
export function Hollow({ r }: { r: number }) {
  return (
    <>
      <path d={PEBBLE} transform={`scale(${r})`} className={drawn.hollowCase} strokeWidth={5 / r} />
      <path
        d={PEBBLE}
        transform={`scale(${r})`}
        className={drawn.hollow}
        strokeWidth={1.6 / r}
        strokeDasharray={`${5 / r} ${3.5 / r}`}
      />
    </>
  );
}
