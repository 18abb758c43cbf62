import { PASSPHRASE_LENGTH } from '@brachytone/job';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../controls/button.tsx';
import { sentenceOf } from '../store/api.ts';
import { useChangePassphraseMutation } from '../store/studio-api.ts';

const FIELD = 'mb-2 h-[30px] w-full rounded-sm border border-edge bg-white px-2 hover:border-soft';

/** Another passphrase for whoever is signed in. */
export function PassphraseForm({ name }: { name: string }) {
  const [change, { isLoading }] = useChangePassphraseMutation();
  const [old, setOld] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const go = async () => {
    const { error } = await change({ old, passphrase });
    if (error) {
      toast.error(sentenceOf(error));
      return;
    }
    setOld('');
    setPassphrase('');
    toast('Changed. You are signed out everywhere else.');
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void go();
      }}
    >
      {/* Keepers of passphrases ask whose it is. */}
      <input type="text" autoComplete="username" value={name} readOnly hidden />
      <input
        type="password"
        aria-label="The one you have"
        placeholder="The one you have"
        autoComplete="current-password"
        className={FIELD}
        value={old}
        onChange={(event) => setOld(event.target.value)}
      />
      <input
        type="password"
        aria-label="Another one"
        placeholder="Another one, four words or so"
        autoComplete="new-password"
        className={FIELD}
        value={passphrase}
        onChange={(event) => setPassphrase(event.target.value)}
      />
      <Button type="submit" disabled={isLoading || old === '' || passphrase.length < PASSPHRASE_LENGTH.least}>
        Change
      </Button>
    </form>
  );
}
