import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { takeGpx, type TakeLines } from '../core/lines/index';

/** Lines and places of a GPX file, or the sentence that says why it cannot be read. */
export function gpxFromText(xml: string): TakeLines {
  if (/<!DOCTYPE|<!ENTITY/i.test(xml))
    return {
      ok: false,
      problem: 'The file declares entities, which GPX has no need of: it is not read.',
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
  return takeGpx(parser.parse(xml));
}
