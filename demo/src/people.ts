import type { Person } from '@hestian/core'

/** Invented people of an invented firm. */
export const people: readonly Person[] = [
  {
    id: 'maren-oduya',
    name: 'Maren Oduya',
    role: 'Lead installer',
    tickets: ['gas', 'unvented', 'electrical'],
  },
  { id: 'tobias-lindqvarn', name: 'Tobias Lindqvarn', role: 'Gas engineer', tickets: ['gas'] },
  { id: 'isla-penhallick', name: 'Isla Penhallick', role: 'Apprentice', tickets: [] },
  { id: 'rufus-ambleside', name: 'Rufus Ambleside', role: 'Office', tickets: [] },
]
