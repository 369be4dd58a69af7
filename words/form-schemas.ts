import { string } from 'yup';
import { parseFigure, parseFishLengthCm, type UnitSystem } from '../core/units/index';

interface Figure {
  what: string;
  unit: string;
  min: number;
  max: number;
}

/** A figure as it is typed ("0,7"), judged where every figure is. */
export const figureText = (figure: Figure) =>
  string()
    .default('')
    .test('figure', function (text) {
      const parsed = parseFigure(text ?? '', figure);
      return parsed.ok || this.createError({ message: parsed.message });
    });

/** The length of a fish as it is typed, in the angler's units. */
export const fishLengthText = (units: UnitSystem) =>
  string()
    .default('')
    .test('length', function (text) {
      const parsed = parseFishLengthCm(text ?? '', units);
      return parsed.ok || this.createError({ message: parsed.message });
    });

/** Words that must be there, and not too many. */
export const someWords = (what: string, most: number, say: string) =>
  string()
    .default('')
    .trim()
    .required(`${what} "" is empty. ${say}`)
    .max(most, `${what} is longer than ${most} letters.`);
