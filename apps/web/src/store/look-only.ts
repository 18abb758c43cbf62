import type { Middleware } from '@reduxjs/toolkit';
import { toast } from 'sonner';
import { jumped, redone, stepped, undone } from './job-slice.ts';
import { studioApi } from './studio-api.ts';

const CHANGES = [stepped, undone, redone, jumped];

/** Whoever only looks changes nothing: what they try is said, and not done. */
export const lookOnly: Middleware = (of) => (next) => (action) => {
  const changes = CHANGES.some((one) => one.match(action));
  const me = changes ? studioApi.endpoints.me.select()(of.getState() as never).data : undefined;
  if (me?.person?.role !== 'viewer') return next(action);
  toast('You are a viewer here: nothing was changed. The owner can make you a maker.', { id: 'look-only' });
  return undefined;
};
