import { createElement, Suspense, use, type ComponentType } from 'react';
import { Loading } from '../ui/states';

/** A part of the app, fetched once; what did not come is asked for anew. */
const fetched = <Parts,>(load: () => Promise<Parts>): (() => Promise<Parts>) => {
  let parts: Promise<Parts> | null = null;
  return () => {
    parts ??= load().catch((error: unknown) => {
      parts = null;
      throw error;
    });
    return parts;
  };
};

export const fetchFirstPages = fetched(() => import('../first-pages'));
export const fetchLaterPages = fetched(() => import('../later-pages'));

/** Makes pages from a part of the app that is fetched when one of them is opened, or before. */
const pagesFrom =
  <Parts,>(fetchParts: () => Promise<Parts>) =>
  <P extends object>(pick: (from: Parts) => ComponentType<P>): ComponentType<P> => {
    const Part = (props: P) => createElement(pick(use(fetchParts())), props);
    const Place = (props: P) => (
      <Suspense fallback={<Loading what="Opening …" />}>
        <Part {...props} />
      </Suspense>
    );
    return Place;
  };

/** A page that an open job shows first. */
export const firstPage = pagesFrom(fetchFirstPages);
/** Another page of a job, or one that is wanted on site. */
export const laterPage = pagesFrom(fetchLaterPages);
