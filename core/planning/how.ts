import type { ShotsQuestion } from '../cast/index';
import { alarmOf, type Settings } from '../log/index';

/** How a person wades, hides and casts, and how readily fish take alarm here. */
export type How = Required<
  Pick<
    ShotsQuestion,
    'castFrom' | 'windSchool' | 'wading' | 'hiding' | 'landingDraws' | 'alarm' | 'species'
  >
>;

/** The one place where a question about casts, ways or stands learns of it from the settings. */
export const howOf = (s: Settings): How => ({
  castFrom: s.methods.castFrom,
  windSchool: s.methods.wind,
  wading: s.methods.wading,
  hiding: s.methods.hiding,
  landingDraws: s.methods.landing === 'hard-draws',
  alarm: alarmOf(s),
  species: s.species,
});
