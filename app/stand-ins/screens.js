/** Stands in for the native screens, of which the router sets a flag and the web shows none. */
export const featureFlags = { experiment: {} };
