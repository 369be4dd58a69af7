import { usePart } from './context';
import { numberOfMark, targetOf } from './state/selectors';

/** How to call a fish by its id: its number, yours when it is the lie's you are after, else that of some lie. */
export function useFishNames(): (id: string | null) => string {
  const names = usePart((s) => s.marks.map((m) => `${m.id}=${numberOfMark(s, m.id)}`).join('|'));
  const own = usePart((s) => targetOf(s)?.id ?? null);
  return (id) => {
    const number = names
      .split('|')
      .find((n) => n.startsWith(`${id}=`))
      ?.split('=')[1];
    return number ? `fish ${number}` : id === own ? 'your fish' : 'a fish in a lie';
  };
}
