import type { Fly } from './fly';

type Plain = Omit<Fly, 'bead' | 'extraMg' | 'dress' | 'left' | 'colour'> & Partial<Fly>;
const fly = (f: Plain): Fly => ({
  bead: null,
  extraMg: 0,
  dress: 'ordinary',
  colour: 'olive',
  left: 6,
  ...f,
});
const tungsten = (mm: number) => ({ mm, of: 'tungsten' }) as const;
const brass = (mm: number) => ({ mm, of: 'brass' }) as const;

/** Plain kinds that every box has: what a rig begins with until the angler's own box is told. */
export const USUAL_BOX: readonly Fly[] = [
  fly({ id: 'parachute-14', name: 'Parachute', sort: 'parachute', hookSize: 14, colour: 'white' }),
  fly({ id: 'parachute-18', name: 'Parachute', sort: 'parachute', hookSize: 18, colour: 'white' }),
  fly({ id: 'emerger-16', name: 'Emerger', sort: 'emerger', hookSize: 16 }),
  fly({ id: 'hackled-16', name: 'Hackled dry', sort: 'hackled', hookSize: 16, colour: 'tan' }),
  fly({
    id: 'hair-wing-12',
    name: 'Hair wing',
    sort: 'hair-wing',
    hookSize: 12,
    dress: 'bushy',
    colour: 'white',
  }),
  fly({ id: 'ant-16', name: 'Foam ant', sort: 'ant', hookSize: 16, colour: 'black' }),
  fly({ id: 'beetle-12', name: 'Foam beetle', sort: 'beetle', hookSize: 12, colour: 'black' }),
  fly({
    id: 'hopper-10',
    name: 'Foam hopper',
    sort: 'hopper',
    hookSize: 10,
    dress: 'bushy',
    colour: 'tan',
  }),
  fly({ id: 'nymph-16', name: 'Nymph, no weight', sort: 'nymph', hookSize: 16 }),
  fly({ id: 'nymph-18-t2', name: 'Nymph', sort: 'nymph', hookSize: 18, bead: tungsten(2) }),
  fly({ id: 'nymph-14-b28', name: 'Nymph', sort: 'nymph', hookSize: 14, bead: brass(2.8) }),
  fly({ id: 'nymph-14-t28', name: 'Nymph', sort: 'nymph', hookSize: 14, bead: tungsten(2.8) }),
  fly({ id: 'nymph-12-t33', name: 'Nymph', sort: 'nymph', hookSize: 12, bead: tungsten(3.3) }),
  fly({
    id: 'nymph-10-t38',
    name: 'Nymph, heavy',
    sort: 'nymph',
    hookSize: 10,
    bead: tungsten(3.8),
  }),
  fly({
    id: 'streamer-10',
    name: 'Streamer',
    sort: 'streamer',
    hookSize: 10,
    bead: brass(4),
    dress: 'bushy',
    colour: 'black',
  }),
];
