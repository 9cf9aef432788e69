import { HistoryScreen } from '../../../src/jobs/history-screen';

export default function History() {
  return <HistoryScreen />;
}
