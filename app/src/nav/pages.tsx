import { createElement, Suspense, use, useEffect, useState, type ComponentType } from 'react';
import { Loading, Standstill } from '../ui/states';

/** A part of the app that is fetched by itself, once. */
interface Part<Pages> {
  /** Gives null where it did not come. */
  readonly fetch: () => Promise<Pages | null>;
  /** One that did not come is asked for anew the next time it is wanted. */
  readonly forget: () => void;
}

const partOf = <Pages,>(load: () => Promise<Pages>): Part<Pages> => {
  let pages: Promise<Pages | null> | null = null;
  let absent = false;
  return {
    fetch: () =>
      (pages ??= load().catch(() => {
        absent = true;
        return null;
      })),
    forget: () => {
      if (!absent) return;
      absent = false;
      pages = null;
    },
  };
};

const firstPages = partOf(() => import('../first-pages'));
const laterPages = partOf(() => import('../later-pages'));

const ahead = async <Pages,>({ fetch, forget }: Part<Pages>): Promise<void> => {
  await fetch();
  forget();
};

/** Fetches ahead what an open job shows first. What does not come is asked for anew when it is shown. */
export const fetchFirstPages = (): Promise<void> => ahead(firstPages);
/** The same for the other pages. */
export const fetchLaterPages = (): Promise<void> => ahead(laterPages);

/** What stands in the place of a page that did not come. */
const NotHere = ({ forget, onAgain }: { readonly forget: () => void; onAgain: () => void }) => {
  // Opened another time, it is asked for anew.
  useEffect(() => forget, [forget]);
  return (
    <Standstill
      title="This page is not on this device yet"
      text="The server does not answer. Nothing is lost: what was entered is kept."
      action={{
        label: 'Try again',
        onPress: () => {
          forget();
          onAgain();
        },
      }}
    />
  );
};

/** Makes pages from a part of the app that is fetched when one of them is opened, or before. */
const pagesFrom =
  <Pages,>({ fetch, forget }: Part<Pages>) =>
  <P extends object>(pick: (from: Pages) => ComponentType<P>): ComponentType<P> => {
    const Shown = (props: P) => {
      const [asked, ask] = useState(fetch);
      const pages = use(asked);
      return pages === null ? (
        <NotHere forget={forget} onAgain={() => ask(fetch())} />
      ) : (
        createElement(pick(pages), props)
      );
    };
    const Place = (props: P) => (
      <Suspense fallback={<Loading what="Opening …" />}>
        <Shown {...props} />
      </Suspense>
    );
    return Place;
  };

/** A page that an open job shows first. */
export const firstPage = pagesFrom(firstPages);
/** Another page of a job, or one that is wanted on site. */
export const laterPage = pagesFrom(laterPages);
