/** On an answer that the service worker kept from before, with the time the server gave it. */
export const keptHeader = 'x-hestian-kept'
