import { createElement, Suspense, use, type ComponentType } from 'react';
import { Loading } from '../ui/states';

type Parts = typeof import('../job-parts');

let parts: Promise<Parts> | null = null;

/** Fetches what an open job needs, once; what did not come is asked for anew. */
export const fetchJobParts = (): Promise<Parts> => {
  parts ??= import('../job-parts').catch((error: unknown) => {
    parts = null;
    throw error;
  });
  return parts;
};

/** A page from the part of the app that is fetched with the first job. */
export const inAJob = <P extends object>(
  pick: (from: Parts) => ComponentType<P>,
): ComponentType<P> => {
  const Part = (props: P) => createElement(pick(use(fetchJobParts())), props);
  const Place = (props: P) => (
    <Suspense fallback={<Loading what="Opening …" />}>
      <Part {...props} />
    </Suspense>
  );
  return Place;
};
