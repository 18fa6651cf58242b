/** What is asked of a crew's server: who this is, who belongs, which devices are signed in. */
import type {
  AuthenticationResponseJSON,
  PublicKeyCredentialCreationOptionsJSON,
  PublicKeyCredentialRequestOptionsJSON,
  RegistrationResponseJSON,
} from '@simplewebauthn/browser';
import { api } from '../../store/api';

export type Role = 'lead' | 'member' | 'reader';

export interface Person {
  id: string;
  name: string;
  role: Role;
}

interface Me {
  /** Whether there is a crew; without one nobody signs in. */
  crew: boolean;
  person?: Person | null;
  /** Nobody belongs to it yet. */
  empty?: boolean;
}

interface Device {
  id: string;
  person: string;
  device: string;
  seenAt: string;
  /** Whether it is known to be theirs by more than a password. */
  isKnown: boolean;
  /** The one this is asked from. */
  this: boolean;
}

interface Passkey {
  id: string;
  device: string;
  createdAt: string;
}

/** A code to come in by. */
export interface Code {
  code: string;
  url: string;
  minutes: number;
  /** An SVG. */
  qr: string;
}

/** Something that happened to how one signs in, from another device. */
interface DoorNews {
  id: string;
  what: 'signed-in' | 'known' | 'password' | 'passkey-added' | 'passkey-removed' | 'role';
  /** The device it came from, or the new role. */
  detail: string;
  at: string;
}

interface SignedIn {
  person: Person;
}

const segment = encodeURIComponent;

export const crewApi = api.injectEndpoints({
  endpoints: (build) => ({
    me: build.query<Me, undefined>({ query: () => 'me', providesTags: ['Crew'] }),
    people: build.query<Person[], undefined>({ query: () => 'crew/people', providesTags: ['Crew'] }),
    devices: build.query<Device[], undefined>({ query: () => 'crew/sessions', providesTags: ['Crew'] }),
    passkeys: build.query<Passkey[], undefined>({ query: () => 'crew/passkeys', providesTags: ['Crew'] }),
    news: build.query<DoorNews[], undefined>({ query: () => 'crew/news', providesTags: ['Crew'] }),
    newsSeen: build.mutation<null, { upTo: string }>({
      query: (body) => ({ url: 'crew/news', method: 'POST', body }),
      invalidatesTags: ['Crew'],
    }),
    join: build.mutation<SignedIn, { code: string; name: string; password: string }>({
      query: (body) => ({ url: 'crew/join', method: 'POST', body }),
    }),
    strength: build.mutation<{ strength: number }, { password: string; name: string; code?: string }>({
      query: (body) => ({ url: 'crew/strength', method: 'POST', body }),
    }),
    signIn: build.mutation<SignedIn, { name: string; password: string }>({
      query: (body) => ({ url: 'crew/sign-in', method: 'POST', body }),
    }),
    askPasskey: build.mutation<PublicKeyCredentialRequestOptionsJSON, undefined>({
      query: () => ({ url: 'crew/passkeys/ask', method: 'POST' }),
    }),
    signInByPasskey: build.mutation<SignedIn, AuthenticationResponseJSON>({
      query: (answer) => ({ url: 'crew/passkeys/sign-in', method: 'POST', body: { answer } }),
    }),
    prove: build.mutation<null, { password: string }>({
      query: (body) => ({ url: 'crew/prove', method: 'POST', body }),
    }),
    proveByPasskey: build.mutation<null, AuthenticationResponseJSON>({
      query: (answer) => ({ url: 'crew/passkeys/prove', method: 'POST', body: { answer } }),
      invalidatesTags: ['Crew'],
    }),
    confirmDevice: build.mutation<null, { code: string }>({
      query: (body) => ({ url: 'crew/known', method: 'POST', body }),
      invalidatesTags: ['Crew'],
    }),
    makeCode: build.mutation<Code, string>({
      query: (person) => ({ url: `crew/people/${segment(person)}/codes`, method: 'POST' }),
    }),
    offerPasskey: build.mutation<PublicKeyCredentialCreationOptionsJSON, undefined>({
      query: () => ({ url: 'crew/passkeys/offer', method: 'POST' }),
    }),
    keepPasskey: build.mutation<Passkey[], RegistrationResponseJSON>({
      query: (answer) => ({ url: 'crew/passkeys', method: 'POST', body: { answer } }),
      invalidatesTags: ['Crew'],
    }),
    removePasskey: build.mutation<null, string>({
      query: (id) => ({ url: `crew/passkeys/${segment(id)}`, method: 'DELETE' }),
      invalidatesTags: ['Crew'],
    }),
    signOut: build.mutation<null, undefined>({ query: () => ({ url: 'crew/sign-out', method: 'POST' }) }),
    signDeviceOut: build.mutation<null, string>({
      query: (id) => ({ url: `crew/sessions/${segment(id)}`, method: 'DELETE' }),
      invalidatesTags: ['Crew'],
    }),
    changePassword: build.mutation<null, { old: string; password: string }>({
      query: (body) => ({ url: 'crew/password', method: 'POST', body }),
      invalidatesTags: ['Crew'],
    }),
    invite: build.mutation<Code, Role>({
      query: (role) => ({ url: 'crew/invitations', method: 'POST', body: { role } }),
    }),
    giveRole: build.mutation<Person[], { id: string; role: Role }>({
      query: ({ id, role }) => ({ url: `crew/people/${segment(id)}`, method: 'PATCH', body: { role } }),
      invalidatesTags: ['Crew'],
    }),
    seeOff: build.mutation<null, string>({
      query: (id) => ({ url: `crew/people/${segment(id)}`, method: 'DELETE' }),
      invalidatesTags: ['Crew'],
    }),
  }),
});

export const {
  useMeQuery,
  usePeopleQuery,
  useDevicesQuery,
  usePasskeysQuery,
  useNewsQuery,
  useNewsSeenMutation,
  useJoinMutation,
  useStrengthMutation,
  useSignInMutation,
  useAskPasskeyMutation,
  useSignInByPasskeyMutation,
  useProveMutation,
  useProveByPasskeyMutation,
  useConfirmDeviceMutation,
  useMakeCodeMutation,
  useOfferPasskeyMutation,
  useKeepPasskeyMutation,
  useRemovePasskeyMutation,
  useSignOutMutation,
  useSignDeviceOutMutation,
  useChangePasswordMutation,
  useInviteMutation,
  useGiveRoleMutation,
  useSeeOffMutation,
} = crewApi;
