/** What somebody is in the firm. */
export const roles = ['owner', 'lead', 'apprentice', 'office'] as const
export type Role = (typeof roles)[number]

export const roleWords: Readonly<Record<Role, string>> = {
  owner: 'Owner',
  lead: 'Lead installer',
  apprentice: 'Apprentice',
  office: 'Office',
}

/** What can be done, each with whoever may. Tickets decide beside it who may sign what. */
const allowed = {
  /** Reads every job, prints its papers, takes files out. */
  read: ['owner', 'lead', 'apprentice', 'office'],
  /** Their own password, sessions and units. */
  self: ['owner', 'lead', 'apprentice', 'office'],
  /** Begins a job, designs it, cuts revisions. */
  design: ['owner', 'lead', 'apprentice', 'office'],
  /** What is seen, read, tried and left on site, photographs, visits, tests. */
  site: ['owner', 'lead', 'apprentice'],
  /** Stands up for what an apprentice did. */
  countersign: ['owner', 'lead'],
  /** Says of a sheet that it was checked; signs the handover. */
  sign: ['owner', 'lead'],
  /**
   * What goes in and out of the firm: imports, archive, the registration office, links for guests.
   */
  file: ['owner', 'lead', 'office'],
  /** The firm's gauges and their papers. */
  gauges: ['owner', 'lead', 'office'],
  /** People, their roles and tickets; backups. */
  firm: ['owner'],
} as const satisfies Readonly<Record<string, readonly Role[]>>

export type Action = keyof typeof allowed
export const actions = Object.keys(allowed) as Action[]

export const isRole = (text: string): text is Role => (roles as readonly string[]).includes(text)

/**
 * Whether somebody may do that: the one table that page and server ask. Whoever has no role here
 * may nothing.
 */
export const may = ({ role }: { readonly role: string }, action: Action): boolean =>
  (allowed[action] as readonly string[]).includes(role)

/** What an action is, as it follows *may not*. */
export const actionWords: Readonly<Record<Action, string>> = {
  read: 'read the firm’s jobs',
  self: 'change that',
  design: 'change a design',
  site: 'record what is done on site',
  countersign: 'countersign',
  sign: 'check sheets or sign a handover',
  file: 'bring jobs in, put them away or send them out',
  gauges: 'change the list of gauges',
  firm: 'manage people and backups',
}

/** Why somebody may not do that, with who may. */
export function mayNotSays(
  { name, role }: { readonly name: string; readonly role: string },
  action: Action,
): string {
  const who = (allowed[action] as readonly Role[]).map((one) => roleWords[one].toLowerCase())
  const as = isRole(role) ? ` as ${roleWords[role].toLowerCase()}` : ''
  return `${name} may not ${actionWords[action]}${as}; ${who.length > 1 ? `${who.slice(0, -1).join(', ')} and ${who.at(-1)}` : who[0]} may.`
}
