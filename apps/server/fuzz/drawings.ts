const svg = (inner: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 100 80">${inner}</svg>`;

/** Small SVG files that use much of what there is. */
export const DRAWINGS: readonly string[] = [
  svg(
    '<defs><clipPath id="a"><circle cx="40" cy="40" r="30"/></clipPath><linearGradient id="b"><stop offset="0"/><stop offset="1" stop-color="#fff"/></linearGradient></defs><g clip-path="url(#a)" transform="rotate(12 40 40)"><path d="M5 5C20 90 60 -20 95 70Z" fill="url(#b)"/><rect x="10" y="10" width="30" height="20" rx="4" stroke="#000" stroke-width="2" stroke-dasharray="3 2" fill="none"/></g>',
  ),
  svg(
    '<style>.x{fill:#222;stroke:none}</style><symbol id="a"><path class="x" d="M0 0h9v9h-9z"/></symbol><use href="#a" x="10" y="10"/><use xlink:href="#a" x="40" y="30"/><text x="5" y="70">letters</text><polygon points="50,5 90,40 60,70" fill-rule="evenodd"/>',
  ),
  svg(
    '<g opacity="0.8"><ellipse cx="50" cy="40" rx="45" ry="30"/><mask id="a"><rect width="50" height="80" fill="#fff"/></mask><line x1="0" y1="0" x2="100" y2="80" stroke="#000" stroke-width="3" stroke-linecap="round"/><path mask="url(#a)" d="M0 0A40 30 15 1 0 90 70z"/></g>',
  ),
];
