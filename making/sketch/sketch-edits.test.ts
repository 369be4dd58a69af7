import { FIRST_SKETCH } from '../../demo/first-beat';
import { newSketch, sketchProblems } from '../../core/water/index';
import {
  addPiece,
  addThing,
  changeKind,
  changePiece,
  changeThing,
  movePiece,
  onStream,
  placeOfThing,
  removePiece,
  removeThing,
} from './sketch-edits';
import { contradictionText, pieceLine, THING_NAMES } from './sketch-words';

describe('pieces', () => {
  const three = ['tail', 'pool', 'run'].reduce(
    (s, kind, i) => addPiece(s, String(i), kind as 'run'),
    newSketch('Rill', 1.75),
  );
  it('the next one up is as wide as the last', () => {
    const wide = changePiece(three, '2', { widthM: 9 });
    expect(addPiece(wide, 'x', 'riffle').pieces[3]!.widthM).toBe(9);
  });
  it('moves up and down, and stays where it cannot', () => {
    const ids = (s: typeof three) => s.pieces.map((p) => p.id).join('');
    expect(ids(movePiece(three, '0', 2))).toBe('120');
    expect(ids(movePiece(three, '2', 0))).toBe('201');
    expect(movePiece(three, '2', 3)).toBe(three);
    expect(movePiece(three, 'nobody', 1)).toBe(three);
  });
  it('another kind brings its bed and its step, and keeps what was told', () => {
    const plunge = changeKind(changePiece(three, '1', { lengthM: 7.5 }), '1', 'plunge');
    expect(plunge.pieces[1]).toMatchObject({ kind: 'plunge', lengthM: 7.5, dropM: 0.4 });
    expect(changeKind(plunge, '1', 'pool').pieces[1]).not.toHaveProperty('dropM');
  });
  it('taken out, it takes what was dropped on it', () => {
    const rock = addThing(three, 't', 'boulder', { pieceId: '1', along: 0.5, across: 0.5 });
    expect(removePiece(rock, '1').things).toEqual([]);
    expect(sketchProblems(removePiece(rock, '1')).filter((p) => p.field === 'pieceId')).toEqual([]);
  });
});

describe('things', () => {
  it.each(Object.keys(THING_NAMES) as (keyof typeof THING_NAMES)[])(
    'a %s dropped at a place is found again there',
    (kind) => {
      const at = { pieceId: 's5', along: 0.4, across: 0.2 };
      const sketch = addThing(FIRST_SKETCH, 'new', kind, at);
      expect(sketchProblems(sketch)).toEqual([]);
      const thing = sketch.things[sketch.things.length - 1]!;
      const found = onStream(sketch, placeOfThing(sketch, thing)!)!;
      expect(found.pieceId).toBe('s5');
      expect(found.along).toBeCloseTo(0.4, 1);
      if ('across' in thing) expect(found.across).toBeCloseTo(0.2, 1);
      if ('side' in thing) expect(thing.side).toBe('left');
    },
  );
  it('changes and goes', () => {
    const sketch = changeThing(FIRST_SKETCH, 'log', { diameterM: 0.6 });
    expect(sketch.things.find((t) => t.id === 'log')).toMatchObject({ diameterM: 0.6 });
    expect(removeThing(sketch, 'log').things).toHaveLength(FIRST_SKETCH.things.length - 1);
  });
  it('a place far from the water is none', () => {
    expect(onStream(FIRST_SKETCH, { xM: 10, yM: 60 })).toBeNull();
  });
});

it('says a piece and a contradiction in plain words, in both units', () => {
  const [piece] = FIRST_SKETCH.pieces;
  expect(pieceLine(piece!, 1.75, 'metric')).toBe('5.0 m by 8.9 m, 0.42 m deep, 0.88 m/s by float');
  expect(pieceLine(piece!, 1.75, 'us')).toContain('16.4 ft by 29.2 ft, 1 ft 5 deep');
  const text = contradictionText(
    FIRST_SKETCH,
    {
      pieceId: 's3',
      carriesM3s: 3,
      othersM3s: 1.5,
      needs: { surfaceSpeedMps: 0.25, deepestM: 0.42, widthM: 4.2 },
    },
    'metric',
  );
  expect(text.lead).toBe(
    'Piece 3, pool contradicts the others: as told it carries 3.00 m³/s, they carry 1.50 m³/s.',
  );
  expect(text.needs).toBe(
    'It would fit at stroll, a leaf over 3 m in 12.0 s; or 0.42 m deep; or 4.2 m wide.',
  );
});
