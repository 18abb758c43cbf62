import { PASSPHRASE_LENGTH, type LinkOffer } from '@brachytone/job';
import { useState } from 'react';
import { Button } from '../controls/button.tsx';
import { sentenceOf } from '../store/api.ts';
import { useComeInMutation, useOfferQuery } from '../store/studio-api.ts';
import { Front, FrontField } from './front.tsx';
import { ROLE_WORDS } from '../shell/role-words.ts';

/** Where a link that works once leads: to join, or to choose another passphrase. */
export function WelcomePage() {
  const secret = location.hash.slice(1);
  const { data: offer, error } = useOfferQuery(secret);
  if (error) return <Front title="This link is no good" says={sentenceOf(error)} children={null} />;
  return offer ? <Join secret={secret} offer={offer} /> : null;
}

const TITLES: Record<LinkOffer['kind'], string> = {
  owner: 'Become the owner',
  invitation: 'Join the studio',
  passphrase: 'Choose another passphrase',
};

function Join({ secret, offer }: { secret: string; offer: LinkOffer }) {
  const [comeIn, { error, isLoading }] = useComeInMutation();
  const [name, setName] = useState(offer.name);
  const [passphrase, setPassphrase] = useState('');
  const isOld = offer.kind === 'passphrase';
  const go = async () => {
    const { error: refused } = await comeIn({ secret, name, passphrase });
    if (!refused) location.replace('/');
  };
  const { says } = ROLE_WORDS[offer.role];
  return (
    <Front
      title={TITLES[offer.kind]}
      says={isOld ? 'You will be signed out everywhere else.' : `You will be ${offer.role}: ${says}.`}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void go();
        }}
      >
        <FrontField
          label="Your name, as the others see it"
          value={name}
          onChange={setName}
          autoComplete="username"
          readOnly={isOld}
          focus={!isOld}
        />
        <FrontField
          label="Passphrase: four words or so that nobody guesses"
          type="password"
          value={passphrase}
          onChange={setPassphrase}
          autoComplete="new-password"
          focus={isOld}
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
          disabled={isLoading || name.trim() === '' || passphrase.length < PASSPHRASE_LENGTH.least}
        >
          {isOld ? 'Take it' : 'Come in'}
        </Button>
      </form>
    </Front>
  );
}
