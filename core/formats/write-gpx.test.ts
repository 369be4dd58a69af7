import { XMLParser, XMLValidator } from 'fast-xml-parser';
import type { BeatPlan } from './index';
import { writeGpx } from './index';

const plan: BeatPlan = {
  version: 1,
  name: 'Fold & Reach <upper>',
  lengthM: 30,
  slope: 0.01,
  bearingDeg: 0,
  anchor: { lat: 46, lon: 8 },
  levels: [],
  surveyedLevel: 'Fair',
  features: [],
};
const content = {
  waypoints: [
    { place: { xM: 0, yM: 0 }, name: 'Entry', symbol: 'Flag' },
    { place: { xM: 100, yM: 0 }, name: 'Fish 1 "sure"' },
  ],
  way: { name: 'Stalk', places: [0, 1, 2].map((i) => ({ xM: i, yM: -i })) },
};

it('is XML that an independent parser reads back, in the namespace of GPX 1.1', () => {
  const text = writeGpx(plan, content);
  expect(XMLValidator.validate(text)).toBe(true);
  const { gpx } = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '' }).parse(text);
  expect(gpx.version).toBe('1.1');
  expect(gpx.xmlns).toBe('http://www.topografix.com/GPX/1/1');
  expect(gpx.metadata.name).toBe(
    'Fold &amp; Reach &lt;upper&gt;'
      .replace(/&amp;/g, '&')
      .replace(/&lt;/g, '<')
      .replace(/&gt;/g, '>'),
  );
  expect(gpx.wpt.map((w: { name: string }) => w.name)).toEqual(['Entry', 'Fish 1 "sure"']);
  expect(gpx.trk.trkseg.trkpt).toHaveLength(3);
});

it('a hundred metres north of the anchor is where the WGS84 meridian says, within a millimetre', () => {
  // One degree of latitude at 46 N is 111,149 m on WGS84 (NIMA TR8350.2: from memory, by its series).
  const text = writeGpx(plan, content);
  const { gpx } = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '' }).parse(text);
  const north =
    111132.954 - 559.822 * Math.cos((92 * Math.PI) / 180) + 1.175 * Math.cos((184 * Math.PI) / 180);
  expect((Number(gpx.wpt[1].lat) - 46) * north).toBeCloseTo(100, 2);
  expect(Number(gpx.wpt[1].lon)).toBeCloseTo(8, 8);
});

it('without an anchor there is nowhere on the earth to write', () => {
  const { anchor: _, ...adrift } = plan;
  expect(() => writeGpx(adrift, content)).toThrow('needs plan.anchor');
});
