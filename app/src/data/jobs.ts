import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from './api';

const LIST = ['jobs'] as const;
const one = (id: string) => ['jobs', id] as const;
const history = (id: string) => ['jobs', id, 'revisions'] as const;

export const useJobs = () => useQuery({ queryKey: LIST, queryFn: api.list });

export const useStoredJob = (id: string) =>
  useQuery({ queryKey: one(id), queryFn: () => api.read(id) });

export const useRevisions = (id: string) =>
  useQuery({ queryKey: history(id), queryFn: () => api.revisions(id), staleTime: 0 });

/** Every change of the list of jobs; each brings the list up to date. */
export const useJobChanges = () => {
  const client = useQueryClient();
  const onSuccess = () => client.invalidateQueries({ queryKey: LIST, exact: true });
  return {
    create: useMutation({ mutationFn: api.create, onSuccess }),
    remove: useMutation({ mutationFn: api.remove, onSuccess }),
    undelete: useMutation({ mutationFn: api.undelete, onSuccess }),
  };
};

export const jobKeys = { list: LIST, one, history };
