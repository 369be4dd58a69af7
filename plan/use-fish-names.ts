import { usePart } from './context';
import { numberOfMark } from './state';

/** How to call a fish by its id: its number, or where it is thought to lie. */
export function useFishNames(): (id: string | null) => string {
  const names = usePart((s) => s.marks.map((m) => `${m.id}=${numberOfMark(s, m.id)}`).join('|'));
  return (id) => {
    const number = names
      .split('|')
      .find((n) => n.startsWith(`${id}=`))
      ?.split('=')[1];
    return number ? `fish ${number}` : 'a fish in a lie';
  };
}
