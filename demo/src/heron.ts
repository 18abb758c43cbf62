import { seeded } from './noise.ts';

/** Width and height of the drawing in its own units. */
const WIDE = 620;
const HIGH = 900;

const HEAD_AND_NECK =
  'M330 452 C386 420 414 362 396 306 C384 268 344 244 342 200 C340 164 366 142 400 140 C416 139 430 143 442 150 ' +
  'L584 176 L444 180 C430 186 412 188 400 188 C384 188 378 198 384 214 C396 246 440 270 450 322 C462 392 420 452 352 500 Z';
const CREST = 'M404 142 C372 120 330 112 268 128 C320 128 356 140 386 160 Z';
const BODY =
  'M356 430 C384 470 372 530 318 578 C270 620 200 646 128 700 C112 712 92 722 74 726 C92 694 104 656 128 610 ' +
  'C164 540 214 486 276 452 C304 436 334 428 356 430 Z';
const WING = 'M316 470 C262 478 208 526 172 590 C150 628 134 662 112 694';
const FEATHERS = [
  'M300 500 C256 514 214 554 184 604',
  'M318 520 C278 534 232 574 202 618',
  'M326 544 C290 560 252 590 222 622',
  'M150 640 C138 660 124 682 106 704',
  'M182 628 C164 650 146 672 124 694',
];
const LEGS = ['M262 616 L270 716 L262 850', 'M300 592 L316 664 L300 700 L308 850'];
const EYE = { x: 420, y: 158 };

/** Ripples and reeds about the feet, the same every time. */
function shore(): string {
  const random = seeded(2611);
  const lines: string[] = [];
  for (let n = 0; n < 15; n++) {
    const y = 826 + n * 4.6 + random() * 3;
    const x = 60 + random() * 380;
    const length = 40 + random() * 150;
    lines.push(
      `<path d="M${x.toFixed(0)} ${y.toFixed(0)} q${(length / 4).toFixed(0)} -5 ${(length / 2).toFixed(0)} 0 t${(length / 2).toFixed(0)} 0" stroke-width="${(2.4 + random() * 2.4).toFixed(1)}"/>`,
    );
  }
  for (let n = 0; n < 17; n++) {
    const x = n < 9 ? 430 + random() * 170 : 20 + random() * 130;
    const top = 420 + random() * 300;
    const lean = (random() - 0.5) * 90;
    lines.push(
      `<path d="M${x.toFixed(0)} 892 C${(x + lean * 0.1).toFixed(0)} 760 ${(x + lean * 0.3).toFixed(0)} ${(top + 120).toFixed(0)} ${(x + lean).toFixed(0)} ${top.toFixed(0)}" stroke-width="${(3 + random() * 4).toFixed(1)}"/>`,
    );
    if (random() < 0.45) {
      lines.push(
        `<ellipse cx="${(x + lean).toFixed(0)}" cy="${(top - 26).toFixed(0)}" rx="7" ry="30" fill="#000" stroke="none" transform="rotate(${(lean / 6).toFixed(0)} ${(x + lean).toFixed(0)} ${top.toFixed(0)})"/>`,
      );
    }
  }
  return lines.join('\n    ');
}

/** A heron in the shallows as line art: what is dark prints, what is white lies bare over it. */
export const heron = (): string => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDE} ${HIGH}">
  <g fill="none" stroke="#000" stroke-linecap="round">
    ${shore()}
  </g>
  <g fill="none" stroke="#000" stroke-width="9" stroke-linejoin="round" stroke-linecap="round">
    ${LEGS.map((d) => `<path d="${d}"/>`).join('\n    ')}
  </g>
  <path d="${BODY}"/>
  <path d="${HEAD_AND_NECK}"/>
  <path d="${CREST}"/>
  <g fill="none" stroke="#fff" stroke-width="5" stroke-linecap="round">
    <path d="${WING}" stroke-width="6"/>
    ${FEATHERS.map((d) => `<path d="${d}"/>`).join('\n    ')}
    <path d="M446 165 L560 174" stroke-width="3"/>
  </g>
  <circle cx="${EYE.x}" cy="${EYE.y}" r="6.5" fill="#fff"/>
</svg>
`;
