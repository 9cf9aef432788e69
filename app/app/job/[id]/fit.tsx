import { FitScreen } from '../../../src/fit/fit-screen';

export default function Fit() {
  return <FitScreen />;
}
