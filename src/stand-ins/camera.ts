import { present } from '@/core/present';
import sharp from 'sharp';
import { chanceFrom } from './chance';
import type { PartPicture } from '@/core/record';
import type { Camera, Seen } from './contract';

type Draw = (chance: () => number) => string;
const range = (chance: () => number, from: number, to: number) => from + (to - from) * chance();
const n = (value: number) => value.toFixed(1);
const ringOf = (r: number, hole: number, fill: string) =>
  `<path fill-rule="evenodd" fill="${fill}" stroke="#2b2a28" stroke-width="2.5" d="M${-r} 0a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0ZM${-hole} 0a${hole} ${hole} 0 1 0 ${2 * hole} 0a${hole} ${hole} 0 1 0 ${-2 * hole} 0Z"/>`;

/** Scratches, pits and stains, so that no two pictures are alike. */
function wearMarks(chance: () => number, reach: number): string {
  const scratches = Array.from({ length: 6 + Math.floor(chance() * 10) }, () => {
    const a = range(chance, 0, 6.283);
    const r = range(chance, reach * 0.5, reach);
    const span = range(chance, 0.1, 0.7);
    return `<path d="M${n(r * Math.cos(a))} ${n(r * Math.sin(a))}A${n(r)} ${n(r)} 0 0 1 ${n(r * Math.cos(a + span))} ${n(r * Math.sin(a + span))}" fill="none" stroke="#332a22" stroke-opacity="${n(range(chance, 0.2, 0.7))}" stroke-width="${n(range(chance, 0.8, 3))}"/>`;
  });
  const pits = Array.from(
    { length: 10 + Math.floor(chance() * 26) },
    () =>
      `<ellipse cx="${n(range(chance, -reach, reach))}" cy="${n(range(chance, -reach, reach) * 0.8)}" rx="${n(range(chance, 1, 7))}" ry="${n(range(chance, 1, 5))}" fill="${chance() < 0.5 ? '#6b3d20' : '#2e2620'}" fill-opacity="${n(range(chance, 0.15, 0.6))}"/>`,
  );
  return scratches.join('') + pits.join('');
}

const subjects: Readonly<Record<PartPicture, Draw>> = {
  ring: (chance) => ringOf(190, range(chance, 148, 160), 'url(#bronze)') + wearMarks(chance, 178),
  impeller(chance) {
    const vanes = 5 + Math.floor(chance() * 3);
    const turn = range(chance, 0, 60);
    const arms = Array.from(
      { length: vanes },
      (_, i) =>
        `<path transform="rotate(${n(turn + (360 / vanes) * i)})" d="M50 0C90 -60 150 -70 200 -20" fill="none" stroke="#3b2f1c" stroke-width="13" stroke-linecap="round"/><path transform="rotate(${n(turn + (360 / vanes) * i)})" d="M50 -3C90 -63 150 -73 200 -24" fill="none" stroke="#d9b46a" stroke-width="4"/>`,
    ).join('');
    return `<circle r="214" fill="url(#bronze)" stroke="#2b2a28" stroke-width="3"/>${arms}<circle r="58" fill="#8d6d35" stroke="#2b2a28" stroke-width="3"/><circle r="27" fill="#1d1b19"/><rect x="-6" y="-36" width="12" height="14" fill="#1d1b19"/>${wearMarks(chance, 195)}`;
  },
  shaft(chance) {
    const steps = [46, 62, 70, 84, 70, 52];
    let x = -330;
    const parts = steps.map((d) => {
      const w = range(chance, 80, 140);
      const piece = `<rect x="${n(x)}" y="${-d / 2}" width="${n(w)}" height="${d}" fill="url(#steel)" stroke="#2b2a28" stroke-width="2"/>`;
      x += w;
      return piece;
    });
    const band = range(chance, -200, 120);
    return `<g transform="rotate(${n(range(chance, -9, 9))})">${parts.join('')}<rect x="${n(band)}" y="-40" width="${n(range(chance, 20, 60))}" height="80" fill="#7a4a26" fill-opacity=".55"/><rect x="-300" y="-8" width="70" height="16" rx="8" fill="#3a3c3e"/></g>`;
  },
  bearing(chance) {
    const balls = 9;
    const turn = range(chance, 0, 40);
    const circles = Array.from(
      { length: balls },
      (_, i) =>
        `<circle cx="${n(142 * Math.cos(((turn + (360 / balls) * i) * Math.PI) / 180))}" cy="${n(142 * Math.sin(((turn + (360 / balls) * i) * Math.PI) / 180))}" r="33" fill="url(#ball)" stroke="#2b2a28" stroke-width="2"/>`,
    ).join('');
    return `${ringOf(212, 172, 'url(#steel)')}${ringOf(114, 76, 'url(#steel)')}${circles}${wearMarks(chance, 120)}`;
  },
  casing: (chance) =>
    `<path d="M-210 40C-230 -120 -90 -220 60 -200L80 -260H200V-200L190 -120C250 20 180 200 0 210C-120 214 -200 140 -210 40Z" fill="url(#cast)" stroke="#2b2a28" stroke-width="4"/><circle r="120" cx="-10" cy="10" fill="#2a2724"/><circle r="${n(range(chance, 66, 80))}" cx="-10" cy="10" fill="#4b453d"/>${Array.from({ length: 8 }, (_, i) => `<circle cx="${n(-10 + 152 * Math.cos(i * 0.785 + chance() * 0.05))}" cy="${n(10 + 152 * Math.sin(i * 0.785))}" r="12" fill="#1d1b19"/>`).join('')}${wearMarks(chance, 190)}`,
  bracket(chance) {
    const bores = [-190, 150]
      .map(
        (x) =>
          `<rect x="${x}" y="-118" width="62" height="236" rx="10" fill="url(#cast)" stroke="#2b2a28" stroke-width="3"/><rect x="${x + 12}" y="-62" width="38" height="124" fill="#2a2724"/>`,
      )
      .join('');
    const ribs = Array.from(
      { length: 3 },
      (_, i) =>
        `<rect x="-120" y="${i * 62 - 84}" width="262" height="16" fill="#6a655c" stroke="#2b2a28" stroke-width="1.5"/>`,
    ).join('');
    return `<g transform="rotate(${n(range(chance, -8, 8))})"><rect x="-260" y="-160" width="46" height="320" rx="8" fill="url(#cast)" stroke="#2b2a28" stroke-width="3"/><rect x="-215" y="-96" width="430" height="192" rx="22" fill="url(#cast)" stroke="#2b2a28" stroke-width="3"/>${ribs}${bores}<rect x="-90" y="96" width="200" height="74" rx="6" fill="url(#cast)" stroke="#2b2a28" stroke-width="3"/></g>${wearMarks(chance, 170)}`;
  },
  seal: (chance) =>
    `${ringOf(150, 96, '#2f3336')}${ringOf(130, 106, '#5d6469')}${Array.from({ length: 3 + Math.floor(chance() * 8) }, () => `<line transform="rotate(${n(chance() * 360)})" x1="107" y1="0" x2="129" y2="${n(chance() * 6)}" stroke="#111" stroke-width="1.6"/>`).join('')}<g transform="translate(250 ${n(range(chance, -60, 60))})">${Array.from({ length: 6 }, (_, i) => `<ellipse cx="0" cy="${i * 22 - 60}" rx="56" ry="13" fill="none" stroke="#8b9196" stroke-width="8"/>`).join('')}</g>${wearMarks(chance, 140)}`,
  plate: (chance) =>
    `<rect x="-200" y="-150" width="400" height="300" rx="26" fill="url(#cast)" stroke="#2b2a28" stroke-width="3" transform="rotate(${n(range(chance, -12, 12))})"/><circle r="92" fill="#24211e"/>${[
      [-160, -110],
      [160, -110],
      [-160, 110],
      [160, 110],
    ]
      .map(([x, y]) => `<circle cx="${x}" cy="${y}" r="15" fill="#24211e"/>`)
      .join('')}${wearMarks(chance, 170)}`,
  gasket: (chance) =>
    `<g transform="rotate(${n(range(chance, 0, 90))}) scale(1 ${n(range(chance, 0.8, 1))})">${ringOf(180, 160, '#22252a')}${ringOf(96, 84, '#2c2f33')}</g>${wearMarks(chance, 150)}`,
  nut: (chance) =>
    Array.from(
      { length: 4 },
      (_, i) =>
        `<g transform="translate(${i % 2 ? 120 : -120} ${i < 2 ? -90 : 90}) rotate(${n(range(chance, 0, 60))})"><path d="M80 0L40 69L-40 69L-80 0L-40 -69L40 -69Z" fill="url(#steel)" stroke="#2b2a28" stroke-width="3"/><circle r="40" fill="#24211e"/></g>`,
    ).join('') + wearMarks(chance, 160),
  coupling: (chance) =>
    `<circle r="200" fill="url(#cast)" stroke="#2b2a28" stroke-width="3"/>${Array.from({ length: 6 }, (_, i) => `<circle cx="${n(145 * Math.cos(i * 1.047 + chance() * 0.04))}" cy="${n(145 * Math.sin(i * 1.047))}" r="24" fill="#24211e"/>`).join('')}<circle r="66" fill="#55595c" stroke="#2b2a28" stroke-width="3"/><circle r="44" fill="#1d1b19"/><rect x="-7" y="-60" width="14" height="20" fill="#1d1b19"/>${wearMarks(chance, 180)}`,
};

const gradients = `<defs>
<linearGradient id="steel" x1="0" y1="0" x2="0.3" y2="1"><stop offset="0" stop-color="#eef1f3"/><stop offset=".45" stop-color="#aab2b8"/><stop offset="1" stop-color="#5c656c"/></linearGradient>
<linearGradient id="bronze" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#e6c27d"/><stop offset=".5" stop-color="#b98b43"/><stop offset="1" stop-color="#75521f"/></linearGradient>
<linearGradient id="cast" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#8c8a84"/><stop offset="1" stop-color="#4d4a45"/></linearGradient>
<radialGradient id="ball" cx=".35" cy=".3" r=".8"><stop offset="0" stop-color="#fff"/><stop offset=".5" stop-color="#b6bec4"/><stop offset="1" stop-color="#596168"/></radialGradient></defs>`;

const fills: Readonly<Record<string, string>> = {
  bronze: 'url(#bronze)',
  cast: 'url(#cast)',
  elastomer: '#26292c',
  'carbon-ceramic': '#454a4f',
  plastic: '#d8d4c8',
};

/** Kinds that are known by their face: a flat part of them lies face up. */
const faces: ReadonlySet<PartPicture> = new Set(['ring', 'bearing', 'seal', 'gasket', 'impeller', 'nut']);
/** Whether a part is pictured by its outlines: it is no flat part that is known better by its face. */
const isByOutline = (seen: Seen, subject: PartPicture) => !faces.has(subject) || seen.box[2] >= 0.45 * seen.box[3];
const scaleOf = ({ box: [, , width, height] }: Seen) => Math.min(560 / width, 400 / height);

/** The part as its construction draws it, seen from the side or from its end, marked by use. */
function seenScene(seen: Seen, chance: () => number): string {
  const {
    outlines,
    box: [x, y, width, height],
  } = seen;
  const scale = scaleOf(seen);
  const at = (px: number, py: number) => `${n((px - x - width / 2) * scale)} ${n((py - y - height / 2) * scale)}`;
  const drawn = outlines.map(({ material, corners, edges }) => {
    const d = `M${corners.map(([px, py]) => at(px, py)).join('L')}Z`;
    const steps = edges.map(([px, above, below]) => `M${at(px, above)}L${at(px, below)}`).join('');
    return `<path d="${d}" fill="${fills[material] ?? 'url(#steel)'}" stroke="#2b2a28" stroke-width="2.5"/><path d="${steps}" fill="none" stroke="#2b2a28" stroke-opacity=".45" stroke-width="1.5"/>`;
  });
  const reach = Math.min(width, height) * scale * 0.45;
  return drawn.join('') + wearMarks(chance, Math.max(20, reach));
}

interface Scene {
  readonly seed: string;
  readonly subject: PartPicture;
  readonly label: string;
  readonly seen?: Seen | null;
}

function sceneOf({ seed, subject, label, seen: given }: Scene): string {
  const seen = given && isByOutline(given, subject) ? given : null;
  const chance = chanceFrom(`${seed}/${subject}`);
  const bench = present(['#6f6252', '#75706a', '#5f6a63', '#7d6a50'][Math.floor(chance() * 4)]);
  const planks = Array.from(
    { length: 9 },
    (_, i) =>
      `<line x1="0" x2="960" y1="${n(i * 90 + chance() * 30)}" y2="${n(i * 90 + chance() * 30)}" stroke="#000" stroke-opacity=".13" stroke-width="${n(1 + chance() * 3)}"/>`,
  ).join('');
  const x = range(chance, 430, 530);
  const y = range(chance, 320, 390);
  const [rx, ry] = seen
    ? [seen.box[2] * scaleOf(seen) * 0.56, seen.box[3] * scaleOf(seen) * 0.54]
    : subject === 'shaft'
      ? [330, 60]
      : [250, 215];
  const text = label.replace(/[^\w .,:/-]/g, '');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="960" height="720" viewBox="0 0 960 720">${gradients}<rect width="960" height="720" fill="${bench}"/>${planks}<ellipse cx="${n(x + 24)}" cy="${n(y + 40)}" rx="${n(rx)}" ry="${n(ry)}" fill="#000" fill-opacity=".26"/><g transform="translate(${n(x)} ${n(y)}) rotate(${n(range(chance, -25, 25) * (seen ? 0.4 : 1))}) scale(${n(seen ? 1 : range(chance, 0.95, 1.2))})">${seen ? seenScene(seen, chance) : subjects[subject](chance)}</g><rect x="${n(range(chance, 24, 60))}" y="640" width="${90 + text.length * 13}" height="50" fill="#f4ecd2" stroke="#7a6f56"/><text x="84" y="673" font-family="DejaVu Sans Mono, monospace" font-size="22" fill="#2b2a28">${text}</text></svg>`;
}

/** A camera that draws the part on the bench: recognisable by its kind, and never twice the same for two seeds. */
export const simulatedCamera: Camera = {
  async takePicture(scene) {
    const bytes = await sharp(Buffer.from(sceneOf(scene)))
      .jpeg({ quality: 82 })
      .toBuffer();
    return { bytes, mime: 'image/jpeg' };
  },
};
