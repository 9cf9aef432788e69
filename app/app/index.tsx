import { JobsScreen } from '../src/jobs/jobs-screen';

export default function Jobs() {
  return <JobsScreen />;
}
