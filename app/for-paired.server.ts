import { redirect } from 'next/navigation';
import { visitorNow } from '@/services/index';

/**
 * A page, or what names it, for this machine and for paired phones alone: whoever else asks is sent to
 * where phones are paired. The door has asked before; this asks again, of what is really being shown.
 */
export const forPaired =
  <P, R>(page: (props: P) => R) =>
  (props: P): R => {
    if (visitorNow() === 'stranger') redirect('/pair');
    return page(props);
  };
