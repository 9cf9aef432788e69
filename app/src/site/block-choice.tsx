import { useJob } from '../data/open-job';
import { Choice } from '../ui/choice';

/** Which part of the building is being worked on; nothing to choose where there is one. */
export const BlockChoice = ({
  index,
  onIndex,
}: {
  readonly index: number;
  readonly onIndex: (index: number) => void;
}) => {
  const job = useJob();
  if (job.blocks.length < 2) return null;
  return (
    <Choice
      label="Part of the building"
      value={String(index)}
      options={job.blocks.map(({ id }, i) => ({ value: String(i), label: id }))}
      onChange={(value) => onIndex(Number(value))}
    />
  );
};
