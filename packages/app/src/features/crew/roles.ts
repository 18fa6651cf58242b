import type { Role } from './api';

/** What a person of the crew does, in a word. */
export const ROLES: Readonly<Record<Role, string>> = { lead: 'Leads', member: 'Works', reader: 'Reads' };
