import { useState } from 'react';
import { Button } from '../controls/button.tsx';
import { sentenceOf } from '../store/api.ts';
import { useSignInMutation } from '../store/studio-api.ts';
import { Front, FrontField } from './front.tsx';

/** The studio’s door. */
export function SignIn() {
  const [signIn, { error, isLoading }] = useSignInMutation();
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const go = async () => {
    const { error: refused } = await signIn({ name, passphrase });
    // Everything is asked for anew, as whoever came in.
    if (!refused) location.reload();
  };
  return (
    <Front title="Sign in" says="Everything you had not saved is kept in this browser.">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void go();
        }}
      >
        <FrontField label="Name" value={name} onChange={setName} autoComplete="username" focus />
        <FrontField
          label="Passphrase"
          type="password"
          value={passphrase}
          onChange={setPassphrase}
          autoComplete="current-password"
        />
        {error && (
          <p role="alert" className="mb-3 text-ruby">
            {sentenceOf(error)}
          </p>
        )}
        <Button
          type="submit"
          kind="main"
          className="mt-1 !h-9 w-full justify-center"
          disabled={isLoading || name === '' || passphrase === ''}
        >
          Sign in
        </Button>
      </form>
    </Front>
  );
}
