// Rate one place from what a person can say of it in a minute
import { quickRead } from '../../core/lies/index';

const told = quickRead({
  species: 'brown',
  forkLengthCm: 26,
  waterTempC: 12,
  depthM: 0.5,
  surfacePaceMps: 0.4,
  edge: 'quicker',
  cover: 'rock',
  coverDistanceM: 0.5,
  bottom: 'cobble',
  foam: true,
  colour: 'clear',
  shaded: false,
});
if (told.ok) console.log(`${Math.round(told.rating)} in 100 that one is at home; ${told.advice}`);
