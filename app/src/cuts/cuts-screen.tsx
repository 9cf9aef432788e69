import { groupedNotes } from '@ogee/core/src/wording';
import { useRouter } from 'expo-router';
import Copy from 'lucide-react-native/icons/copy';
import Notebook from 'lucide-react-native/icons/notebook-pen';
import { View } from 'react-native';
import { useHandling, useJob, useProblems } from '../data/open-job';
import { useRoof } from '../data/roof';
import { useOpenPiece } from '../nav/open-piece';
import { CutIcon } from '../ui/place-icons';
import { Button } from '../ui/button';
import { Caution, gravestFirst } from '../ui/caution';
import { Loading } from '../ui/states';
import { Small, Title, Words } from '../ui/text';
import { useWide } from '../ui/use-wide';
import { ChangesBar } from './changes';
import { CutListView } from './cut-list';
import { SawnBar } from '../saw/sawn-bar';
import { StoryTapes } from './story-tapes';

/** What to saw next. On a wide screen the list stands on the left already. */
export const CutsScreen = () => {
  const job = useJob();
  const { id } = useHandling();
  const { problems } = useProblems();
  const router = useRouter();
  const { roof } = useRoof();
  const openPiece = useOpenPiece();
  const wide = useWide();
  if (roof === null) return problems.length > 0 ? null : <Loading what="Working the roof out …" />;
  const { members, notes } = roof.cuts;
  const boards = members.reduce((sum, entry) => sum + entry.count, 0);
  return (
    <View className="gap-4">
      <View>
        <Title>
          {boards} boards, {members.length} marks
        </Title>
        <Small>Lengths to the long point, in the order they go up.</Small>
        {wide && <Words>Touch a piece in the list, or a timber on the plan, for its sheet.</Words>}
      </View>
      <View className="flex-row flex-wrap gap-2">
        <Button
          label="At the saw"
          look="filled"
          icon={CutIcon}
          onPress={() => router.navigate(`/job/${id}/saw`)}
          testID="to-saw"
        />
        <Button
          label="Patterns"
          icon={Copy}
          onPress={() => router.navigate(`/job/${id}/patterns`)}
          testID="to-patterns"
        />
        <Button
          label="Log"
          icon={Notebook}
          onPress={() => router.navigate(`/job/${id}/log`)}
          testID="to-log"
        />
      </View>
      <SawnBar />
      <StoryTapes cuts={roof.cuts} />
      {!wide && (
        <View className="-mx-4">
          <ChangesBar />
          <CutListView members={members} display={job.display} chosen={null} onOpen={openPiece} />
        </View>
      )}
      {job.about !== undefined && <Words>{job.about}</Words>}
      {gravestFirst(groupedNotes(notes)).map(({ level, text, marks }) => (
        <Caution
          key={text}
          level={level}
          text={marks.length === 0 ? text : `${marks.join(', ')}: ${text}`}
        />
      ))}
    </View>
  );
};
