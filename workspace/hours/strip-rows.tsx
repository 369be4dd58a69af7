import type { StripScale } from './scale';
import { GlanceRow, SeenRow } from './share-rows';
import { WaterRow } from './water-row';

type Props<C extends (props: never) => unknown> = Parameters<C>[0];
type Told<P> = Omit<P, 'now' | 'nowH' | 'scale'>;

/** Under the sun: the water, and how plainly one sees the fish, or is seen by it. On a low strip the water alone. */
export function StripRows({
  water,
  glare,
  seen,
  now,
  scale,
}: {
  water: Told<Props<typeof WaterRow>> | null;
  glare: Told<Props<typeof GlanceRow>> | false;
  seen: Told<Props<typeof SeenRow>> | false;
  now: number;
  scale: StripScale;
}) {
  return (
    <>
      {water && <WaterRow {...water} nowH={now} scale={scale} />}
      {!scale.compact && glare && <GlanceRow {...glare} now={now} scale={scale} />}
      {!scale.compact && seen && <SeenRow {...seen} now={now} scale={scale} />}
    </>
  );
}
