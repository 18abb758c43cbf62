import type {
  AuditEntry,
  InvitationView,
  LinkOffer,
  MeView,
  NewLinkView,
  NewProofLinkView,
  NewTokenView,
  PersonView,
  ProofLinkView,
  Role,
  SessionView,
  TokenView,
} from '@brachytone/job';
import { api } from './api.ts';
import { keepToken } from '../server/change-headers.ts';

/** What the server is asked about the people of the studio. */
export const studioApi = api
  .enhanceEndpoints({ addTagTypes: ['people', 'invitations', 'sessions', 'tokens'] })
  .injectEndpoints({
    endpoints: (build) => ({
      me: build.query<MeView, void>({
        query: () => 'me',
        providesTags: ['me'],
        transformResponse: (me: MeView) => {
          keepToken(me.token);
          return me;
        },
      }),
      signIn: build.mutation<void, { name: string; passphrase: string }>({
        query: (body) => ({ url: 'session', method: 'POST', body }),
      }),
      signOut: build.mutation<void, void>({ query: () => ({ url: 'session', method: 'DELETE' }) }),
      changePassphrase: build.mutation<void, { old: string; passphrase: string }>({
        query: (body) => ({ url: 'me/passphrase', method: 'PUT', body }),
        invalidatesTags: ['sessions'],
      }),
      offer: build.query<LinkOffer, string>({
        query: (secret) => ({ url: 'welcome/offer', method: 'POST', body: { secret } }),
      }),
      comeIn: build.mutation<void, { secret: string; name: string; passphrase: string }>({
        query: (body) => ({ url: 'welcome', method: 'POST', body }),
      }),
      people: build.query<PersonView[], void>({ query: () => 'people', providesTags: ['people'] }),
      setRole: build.mutation<PersonView, { id: string; role: Role }>({
        query: ({ id, role }) => ({ url: `people/${id}`, method: 'PATCH', body: { role } }),
        invalidatesTags: ['people', 'me'],
      }),
      removePerson: build.mutation<void, string>({
        query: (id) => ({ url: `people/${id}`, method: 'DELETE' }),
        invalidatesTags: ['people', 'sessions'],
      }),
      passphraseLink: build.mutation<NewLinkView, string>({
        query: (id) => ({ url: `people/${id}/passphrase-link`, method: 'POST' }),
        invalidatesTags: ['invitations'],
      }),
      invitations: build.query<InvitationView[], void>({
        query: () => 'invitations',
        providesTags: ['invitations'],
      }),
      invite: build.mutation<NewLinkView, { meant: string; role: Role }>({
        query: (body) => ({ url: 'invitations', method: 'POST', body }),
        invalidatesTags: ['invitations'],
      }),
      withdraw: build.mutation<void, string>({
        query: (id) => ({ url: `invitations/${id}`, method: 'DELETE' }),
        invalidatesTags: ['invitations'],
      }),
      sessions: build.query<SessionView[], void>({ query: () => 'sessions', providesTags: ['sessions'] }),
      endSession: build.mutation<void, string>({
        query: (id) => ({ url: `sessions/${id}`, method: 'DELETE' }),
        invalidatesTags: ['sessions'],
      }),
      tokens: build.query<TokenView[], void>({ query: () => 'tokens', providesTags: ['tokens'] }),
      makeToken: build.mutation<NewTokenView, { name: string; role: Role }>({
        query: (body) => ({ url: 'tokens', method: 'POST', body }),
        invalidatesTags: ['tokens'],
      }),
      endToken: build.mutation<void, string>({
        query: (id) => ({ url: `tokens/${id}`, method: 'DELETE' }),
        invalidatesTags: ['tokens'],
      }),
      proofLinks: build.query<ProofLinkView[], string>({
        query: (job) => `jobs/${job}/proof-links`,
        providesTags: ['proof links'],
      }),
      makeProofLink: build.mutation<NewProofLinkView, { job: string; meant: string; days: number }>({
        query: ({ job, ...body }) => ({ url: `jobs/${job}/proof-links`, method: 'POST', body }),
        invalidatesTags: ['proof links', 'pulls'],
      }),
      renewProofLink: build.mutation<ProofLinkView, { id: string; days: number }>({
        query: ({ id, days }) => ({ url: `proof-links/${id}/renew`, method: 'POST', body: { days } }),
        invalidatesTags: ['proof links', 'pulls'],
      }),
      withdrawProofLink: build.mutation<void, string>({
        query: (id) => ({ url: `proof-links/${id}`, method: 'DELETE' }),
        invalidatesTags: ['proof links'],
      }),
      replyToProof: build.mutation<void, { id: string; text: string }>({
        query: ({ id, text }) => ({ url: `proof-links/${id}/comments`, method: 'POST', body: { text } }),
        invalidatesTags: ['proof links'],
      }),
      setCommentDone: build.mutation<void, { id: string; comment: string; done: boolean }>({
        query: ({ id, comment, done }) => ({
          url: `proof-links/${id}/comments/${comment}`,
          method: 'PATCH',
          body: { done },
        }),
        invalidatesTags: ['proof links'],
      }),
      audit: build.query<AuditEntry[], void>({ query: () => ({ url: 'audit', params: { most: 40 } }) }),
    }),
  });

export const {
  useMeQuery,
  useSignInMutation,
  useSignOutMutation,
  useChangePassphraseMutation,
  useOfferQuery,
  useComeInMutation,
  usePeopleQuery,
  useSetRoleMutation,
  useRemovePersonMutation,
  usePassphraseLinkMutation,
  useInvitationsQuery,
  useInviteMutation,
  useWithdrawMutation,
  useSessionsQuery,
  useEndSessionMutation,
  useTokensQuery,
  useMakeTokenMutation,
  useEndTokenMutation,
  useProofLinksQuery,
  useMakeProofLinkMutation,
  useRenewProofLinkMutation,
  useWithdrawProofLinkMutation,
  useReplyToProofMutation,
  useSetCommentDoneMutation,
  useAuditQuery,
} = studioApi;
