import type { Role } from '@brachytone/job';

/** Who may ask an endpoint, and what the audit list says of it once it was done. */
export interface Rule {
  readonly needs: 'anyone' | Role;
  readonly did?: string;
}

const anyone: Rule = { needs: 'anyone' };
const viewer: Rule = { needs: 'viewer' };
const maker: Rule = { needs: 'maker' };
const owner: Rule = { needs: 'owner' };
const makerDid = (did: string): Rule => ({ needs: 'maker', did });
const ownerDid = (did: string): Rule => ({ needs: 'owner', did });

/** The rule of every endpoint, by method and address. One that is not here is for nobody. */
export const RULES: Readonly<Record<string, Rule>> = {
  'GET /api/health': anyone,
  'GET /api/health/ready': anyone,
  'GET /metrics': owner,
  'POST /api/page-failures': viewer,
  'GET /api/backup': ownerDid('made a backup'),

  'GET /api/me': anyone,
  'PUT /api/me/passphrase': { needs: 'viewer', did: 'chose another passphrase' },
  'POST /api/session': { needs: 'anyone', did: 'signed in' },
  'DELETE /api/session': { needs: 'viewer', did: 'signed out' },
  'GET /api/sessions': viewer,
  'DELETE /api/sessions/:id': { needs: 'viewer', did: 'ended a session' },
  'GET /api/people': viewer,
  'PATCH /api/people/:id': ownerDid('changed the role of somebody'),
  'DELETE /api/people/:id': ownerDid('took somebody out'),
  'POST /api/people/:id/passphrase-link': ownerDid('made a link for another passphrase'),
  'GET /api/invitations': owner,
  'POST /api/invitations': ownerDid('invited somebody'),
  'DELETE /api/invitations/:id': ownerDid('withdrew an invitation'),
  'POST /api/welcome/offer': anyone,
  'POST /api/welcome': { needs: 'anyone', did: 'came in by a link' },
  'GET /api/tokens': viewer,
  'POST /api/tokens': makerDid('made a token'),
  'DELETE /api/tokens/:id': { needs: 'viewer', did: 'ended a token' },
  'GET /api/audit': owner,
  'GET /api/audit.csv': owner,

  'GET /api/live': viewer,

  'GET /api/jobs': viewer,
  'GET /api/jobs/on-press/:press': viewer,
  'POST /api/jobs': makerDid('began a job'),
  'GET /api/jobs/:id': viewer,
  'PUT /api/jobs/:id': makerDid('changed a job'),
  'PATCH /api/jobs/:id': makerDid('put a job away or took it out'),
  'POST /api/jobs/:id/duplicate': makerDid('copied a job'),
  'GET /api/jobs/:id/proof.png': viewer,
  'GET /api/jobs/:id/picture': viewer,
  'GET /api/jobs/:id/originals/:original/colour-dots.svg': viewer,
  'GET /api/jobs/:id/originals/:original/cut-out.png': viewer,
  'GET /api/jobs/:id/removal': maker,
  'DELETE /api/jobs/:id': makerDid('deleted a job'),
  'GET /api/jobs/:id/panels.pdf': viewer,
  'GET /api/jobs/:id/ticket.pdf': viewer,
  'GET /api/jobs/:id/ticket.json': viewer,
  'GET /api/jobs/:id/archive.zip': viewer,
  'POST /api/archives': makerDid('unpacked a job'),
  'GET /api/jobs/:id/pulls': viewer,
  'POST /api/jobs/:id/pulls': maker,
  'POST /api/jobs/:id/pulls/printed': maker,
  'PATCH /api/jobs/:id/pulls/:pull': maker,
  'DELETE /api/jobs/:id/pulls/:pull': makerDid('dropped a pull'),
  'GET /api/jobs/:id/pulls/:pull/proof.png': viewer,

  'GET /api/jobs/:id/proof-links': viewer,
  'POST /api/jobs/:id/proof-links': makerDid('made a proof link'),
  'POST /api/proof-links/:id/renew': makerDid('had a proof link show another state'),
  'DELETE /api/proof-links/:id': makerDid('withdrew a proof link'),
  'POST /api/proof-links/:id/comments': maker,
  'PATCH /api/proof-links/:id/comments/:comment': maker,
  // Each looks at the secret of the link.
  'GET /api/proof': anyone,
  'GET /api/proof/whole': anyone,
  'GET /api/proof/tiles/:level/:x/:y': anyone,
  'POST /api/proof/comments': anyone,
  'POST /api/proof/answer': { needs: 'anyone', did: 'answered by a proof link' },

  'GET /api/set-aside': viewer,
  'GET /api/set-aside/:id/document': viewer,
  'GET /api/set-aside/:id/proof.png': viewer,
  'DELETE /api/set-aside/:id': ownerDid('deleted what was set aside'),

  'POST /api/files': maker,
  'GET /api/files/fonts': viewer,
  'GET /api/files/:sha256': viewer,
  'GET /api/files/:sha256/source': viewer,
  'GET /api/files/:sha256/drawing': viewer,
  'GET /api/files/:sha256/font': viewer,
  'GET /api/files/:sha256/profile': viewer,
  'GET /api/files/:sha256/separation': viewer,
  'POST /api/files/:sha256/taken': maker,
  'POST /api/files/:sha256/painted': maker,
  'POST /api/files/:sha256/channels': maker,
  'GET /api/files/:sha256/levels/:level': viewer,

  ...Object.fromEntries(
    ['preparations', 'inks', 'stocks', 'presses', 'screens'].flatMap((kind) => [
      [`GET /api/shelf/${kind}`, viewer],
      [`POST /api/shelf/${kind}`, makerDid('put something on the shelf')],
      [`DELETE /api/shelf/${kind}/:id`, makerDid('took something off the shelf')],
    ]),
  ),
  'PUT /api/shelf/presses/:id': makerDid('changed a press'),

  'GET /api/treatments': viewer,
  'POST /api/treatments': makerDid('kept a treatment'),
  'GET /api/treatments/:id': viewer,
  'DELETE /api/treatments/:id': makerDid('took a treatment off the shelf'),
  'GET /api/treatments/:id/seen.png': viewer,
  'POST /api/treatments/:id/laid': maker,
  'GET /api/first-look': viewer,

  'GET /api/jobs/:id/series': viewer,
  'PUT /api/jobs/:id/series': makerDid('changed a series'),
  'POST /api/jobs/:id/series/run': makerDid('had the films of a series made'),
  'GET /api/jobs/:id/series/:member/seen.png': viewer,

  'GET /api/calibrations': viewer,
  'POST /api/calibrations': makerDid('began a calibration'),
  'PUT /api/calibrations/:id': makerDid('changed a calibration'),
  'DELETE /api/calibrations/:id': makerDid('deleted a calibration'),
  'GET /api/calibrations/:id/target.pdf': viewer,
  'GET /api/calibrations/:id/films/:ink.tif': viewer,
  'POST /api/calibrations/:id/scan': maker,
  'GET /api/calibrations/:id/scan.png': viewer,
  'POST /api/calibrations/:id/simulated-readings': maker,
  'POST /api/calibrations/:id/simulated-scan': maker,

  'GET /api/runs': viewer,
  'GET /api/runs/events': viewer,
  'POST /api/runs': makerDid('had films made'),
  'POST /api/runs/gang/plan': maker,
  'POST /api/runs/gang': makerDid('had films made together'),
  'GET /api/runs/:id': viewer,
  'DELETE /api/runs/:id': makerDid('deleted films'),
  'POST /api/runs/:id/cancel': makerDid('stopped films'),
  'POST /api/runs/:id/again': makerDid('had films made again'),
  'GET /api/runs/:id/films.zip': viewer,
  'GET /api/runs/:id/films/:name': viewer,

  'GET /api/storage': viewer,
  'POST /api/storage/:kind/tried': owner,
  'PUT /api/storage/:kind/rule': ownerDid('set a rule for what is kept'),
  'POST /api/storage/:kind/clean': ownerDid('cleaned away what is kept'),
};
