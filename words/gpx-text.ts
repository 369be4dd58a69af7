import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { MOST_PLACES, takeGpx, type TakeLines } from '../core/lines/index';

/** Lines and places of a GPX file, or the sentence that says why it cannot be read. */
export function gpxFromText(xml: string): TakeLines {
  if (/<!DOCTYPE|<!ENTITY/i.test(xml))
    return {
      ok: false,
      problem: 'The file declares entities, which GPX has no need of: it is not read.',
    };
  // Counted before it is read: reading a hundred thousand takes many seconds.
  const places = xml.match(/<(?:\w+:)?(?:trkpt|rtept|wpt)[\s>]/g)?.length ?? 0;
  if (places > MOST_PLACES)
    return {
      ok: false,
      problem: `The file holds ${places} places; at most ${MOST_PLACES} are read. Cut the stretch out of it first.`,
    };
  const valid = XMLValidator.validate(xml);
  if (valid !== true)
    return {
      ok: false,
      problem: `The file is not whole XML: line ${valid.err.line}, ${valid.err.msg}`,
    };
  const parser = new XMLParser({
    ignoreAttributes: false,
    parseTagValue: false,
    removeNSPrefix: true,
  });
  let tree: unknown;
  try {
    tree = parser.parse(xml);
  } catch (error) {
    // Nested too deep, or an element by a name that no element has.
    const why = error instanceof Error ? error.message : String(error);
    return { ok: false, problem: `The file cannot be read: ${why}.`.replace('..', '.') };
  }
  return takeGpx(tree);
}
