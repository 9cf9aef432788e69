import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';
import Trash from 'lucide-react-native/icons/trash';
import type { JobSummary } from '@ogee/core';
import { IconButton } from '../ui/button';
import { Small, Title } from '../ui/text';

export const JobCard = ({ job, onDelete }: { job: JobSummary; onDelete: () => void }) => {
  const router = useRouter();
  return (
    <View role="listitem" className="flex-row items-center rounded border border-grain bg-sheet">
      <Pressable
        role="link"
        onPress={() => router.navigate(`/job/${job.id}/cuts`)}
        testID={`job-${job.name}`}
        className="min-h-[72px] flex-1 justify-center px-4 py-2 active:bg-wash"
      >
        <Title>{job.name}</Title>
        <Small>
          {job.sample ? 'Sample · ' : ''}changed {new Date(job.updatedAt).toLocaleString()}
        </Small>
      </Pressable>
      <IconButton label={`Delete ${job.name}`} icon={Trash} onPress={onDelete} />
    </View>
  );
};
