import type { BeatPack } from '../core/outing/index';
import { formatLength, formatSeconds, type UnitSystem } from '../core/units/index';
import { layHow } from './lay-words';
import { dayAndHour } from './dates';
import { standTitle, targetWords } from './outing-words';
import { inHundred } from './names';

const escapeHtml = (text: string) => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

/** The day's cards as one page that needs nothing else: no network, no script, no book. */
export function carryPage(
  beats: readonly { pack: BeatPack; picture: string | null }[],
  units: UnitSystem,
  nowMs: number,
): string {
  const zone = beats[0]?.pack.timeZone ?? 'UTC';
  const body =
    beats.length === 0
      ? '<p>No beat was worked out yet. Open the outing, choose Taken along, and take a beat; then load this file again.</p>'
      : beats.map((b) => beatHtml(b, units)).join('\n');
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<title>Cards, Pebble Lane</title>
<style>
body{font:17px/1.4 sans-serif;margin:0 auto;max-width:46rem;padding:12px;background:#f4f5ef;color:#131b18}
h1,h2,h3{line-height:1.2;margin:.8em 0 .3em}
.off{border:3px solid #131b18;background:#f2be00;padding:8px 12px;font-weight:700}
.water{position:relative}.water img{width:100%;display:block;border:1px solid #131b18}
.n{position:absolute;transform:translate(-50%,-50%);min-width:24px;height:24px;border-radius:12px;background:#fbfaf5;border:2px solid #131b18;font:700 14px/20px sans-serif;text-align:center}
li{margin:.6em 0}
@media (prefers-color-scheme:dark){body{background:#14130f;color:#e8dac0}.off{color:#14130f}.n{color:#131b18}}
</style></head><body>
<h1>Cards</h1>
<p class="off">Logging is off: this file keeps nothing. Write down what you want to remember.</p>
<p>Made ${escapeHtml(dayAndHour(nowMs, zone))}. Wading, heat, falling timber, lightning and hooks can hurt; nothing here promises that a place is safe. Local rules decide.</p>
${body}
</body></html>
`;
}

function beatHtml(
  { pack, picture }: { pack: BeatPack; picture: string | null },
  units: UnitSystem,
) {
  const { x0M, y0M, x1M, y1M } = pack.frame;
  const marks = pack.targets
    .map((t, i) => {
      const left = (100 * (t.xM - x0M)) / (x1M - x0M);
      const top = (100 * (y1M - t.yM)) / (y1M - y0M);
      return `<span class="n" style="left:${left.toFixed(2)}%;top:${top.toFixed(2)}%">${i + 1}</span>`;
    })
    .join('');
  const cards = pack.targets
    .map((t) => {
      const name = targetWords(t, t.fishNumber);
      const shot = t.shot;
      const words = shot
        ? `${standTitle(t, units)} ${layHow(shot.lay, units)} Land it ${formatLength(shot.leadM, units)} up-current of the fish; clean for ${formatSeconds(shot.cleanS.best)}. ${inHundred(shot.chance.best)} that it gets an honest look in three casts.`
        : 'No cast offers an honest look from anywhere you can reach.';
      return `<li><strong>${escapeHtml(name)}${t.rating === null ? '' : `, ${Math.round(t.rating)}`}.</strong> ${escapeHtml(words)}</li>`;
    })
    .join('\n');
  return `<h2>${escapeHtml(pack.name)}, ${escapeHtml(pack.level.toLowerCase())} level</h2>
${picture ? `<div class="water"><img src="${picture}" alt="The water of ${escapeHtml(pack.name)}, flowing to the left">${marks}</div><p>Flows to the left; true left is below.</p>` : '<p>Its water has not been solved: no picture.</p>'}
<ol>
${cards}
</ol>`;
}
