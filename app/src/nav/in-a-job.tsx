import { createElement, Suspense, use, type ComponentType } from 'react';
import { Loading } from '../ui/states';

type Parts<P> = () => Promise<P>;

/** Fetches a part of the app once; what did not come is asked for anew. */
const once = <P,>(load: Parts<P>): Parts<P> => {
  let parts: Promise<P> | null = null;
  return () => {
    parts ??= load().catch((error: unknown) => {
      parts = null;
      throw error;
    });
    return parts;
  };
};

/** A page out of a part of the app that is fetched when the first page of it is shown. */
const pagesOf =
  <A,>(fetchParts: Parts<A>) =>
  <P extends object>(pick: (from: A) => ComponentType<P>): ComponentType<P> => {
    const Part = (props: P) => createElement(pick(use(fetchParts())), props);
    const Page = (props: P) => (
      <Suspense fallback={<Loading what="Opening …" />}>
        <Part {...props} />
      </Suspense>
    );
    return Page;
  };

/** Fetches what an open job needs. */
export const fetchJobParts = once(() => import('../job-parts'));

/** Fetches what the day on site needs. */
export const fetchSiteParts = once(() => import('../site-parts'));

/** A place of an open job. */
export const inAJob = pagesOf(fetchJobParts);

/** A page of the work at the saw and on the plate. */
export const onSite = pagesOf(fetchSiteParts);
