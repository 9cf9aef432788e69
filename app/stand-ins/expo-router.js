/** Stands in for the router's list of everything: of it what this app asks for. */
const parts = {
  Redirect: () => require('expo-router/build/link/Redirect').Redirect,
  Slot: () => require('expo-router/build/views/Navigator').Slot,
  useLocalSearchParams: () =>
    require('expo-router/build/hooks/useLocalSearchParams').useLocalSearchParams,
  usePathname: () => require('expo-router/build/hooks/usePathname').usePathname,
  useRouter: () => require('expo-router/build/hooks/useRouter').useRouter,
};

for (const [name, part] of Object.entries(parts))
  Object.defineProperty(exports, name, { enumerable: true, get: part });
