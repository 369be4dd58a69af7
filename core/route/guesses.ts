import { TAKE_S, WILLING_PRIOR } from '../moves/index';

/** Every figure of a route that nobody has measured; all ours. */
export const ROUTE = {
  /** Share of fish at home that feed. */
  willing: WILLING_PRIOR.blind,
  /** A take costs so long, s; coming to a stand and getting ready there, s. */
  takeS: TAKE_S,
  standS: 25,
  /** A still angler is noticed beyond this; for the lie that is worked so long, s, others a share of it. */
  stillFree: 0.15,
  stillS: 20,
  stillOthers: 0.5,
  /** Line laid so near a lie frightens by this a cover, fading over that, m. */
  linedBy: 0.15,
  linedM: 0.6,
  /** Share of takes that end in a fight, and how near it alarms, m. */
  fights: 0.5,
  fightM: 1.5,
  /** What frightened a fish is forgotten with this, s. */
  forgetsS: 900,
  /** Stands and lies that are weighed. */
  mostStands: 60,
  mostLies: 24,
  leastRating: 12,
  /** A look with a smaller chance is none. */
  leastLook: 0.05,
  /** Stands of one lie are so far apart, m; nearer than that two stands are one. */
  spacedM: 1.5,
  sameM: 1,
  /** Back-steps of somebody who works up, or down, m. */
  backM: 3,
  /** States kept at each step of the search, and the share of what is left undisturbed that counts. */
  beam: 24,
  leftCounts: 0.6,
  /** Prices of time that are tried where the time is too short. */
  shadows: [1, 1.6, 2.5, 4, 6.5],
} as const;
