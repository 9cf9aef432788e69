import { CutsScreen } from '../../../../src/cuts/cuts-screen';

export default function Cuts() {
  return <CutsScreen />;
}
