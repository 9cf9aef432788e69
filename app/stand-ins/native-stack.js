/** Stands in for the router's stack of pages, which it makes at its start and this app, of one layout, never shows. */
export const createNativeStackNavigator = () => ({});
