import { TimberForm } from '../../../src/timber/timber-form';

export default function Timber() {
  return <TimberForm />;
}
