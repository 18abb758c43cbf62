import { toast } from 'sonner';
import { sentenceOf } from './api.ts';

/** Says what the server refused, if it did. */
export const orSay = (asked: Promise<unknown>): void =>
  void asked.catch((error: unknown) => toast.error(sentenceOf(error)));
