import { saveText } from '../../ui/save-text';
/** Properties that a drawing lives by: what a stylesheet gives is written into the element itself. */
const KEPT = [
  'fill',
  'fill-opacity',
  'fill-rule',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'opacity',
  'paint-order',
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
  'text-anchor',
] as const;

/** What only a page has a use for. */
const OF_THE_PAGE = /^(class|style|role|tabindex|aria-.*)$/;

/**
 * The drawings of a card as one SVG that stands alone: computed styles become attributes, the
 * drawings are stacked. null when there is none.
 */
export function standaloneSvg(card: Element): string | null {
  const drawings = [...card.querySelectorAll('svg')];
  if (drawings.length === 0) return null;
  const size = (svg: SVGSVGElement) => ({
    width: Number(svg.getAttribute('width')) || 0,
    height: Number(svg.getAttribute('height')) || 0,
  });
  let top = 0;
  const parts = drawings.map((svg) => {
    const copy = svg.cloneNode(true) as SVGSVGElement;
    const from = svg.querySelectorAll('*');
    copy.querySelectorAll('*').forEach((element, i) => {
      const style = getComputedStyle(from[i]!);
      for (const name of KEPT) {
        const value = style.getPropertyValue(name);
        if (value !== '') element.setAttribute(name, value);
      }
    });
    for (const element of [copy, ...copy.querySelectorAll('*')])
      for (const { name } of [...element.attributes])
        if (OF_THE_PAGE.test(name)) element.removeAttribute(name);
    copy.setAttribute('y', String(top));
    top += size(svg).height;
    return copy.outerHTML;
  });
  const width = Math.max(...drawings.map((d) => size(d).width));
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${top}" viewBox="0 0 ${width} ${top}"><rect width="${width}" height="${top}" fill="#fff"/>${parts.join('')}</svg>`;
}

/** Hands the drawing over as a file. */
export function saveSvg(card: Element, name: string): void {
  const text = standaloneSvg(card);
  if (text === null) return;
  saveText(name, 'image/svg+xml', text);
}
