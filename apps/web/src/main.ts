import { pictures } from './engine/pictures.ts';
import { askEarly } from './store/early-job.ts';

// Workers, job and pictures are on their way while the page itself is read.
askEarly(({ files }) => files.forEach(pictures.want));
void import('./page.tsx');
