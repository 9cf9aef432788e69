import { SiteForm } from '../../../src/site/site-form';

export default function Site() {
  return <SiteForm />;
}
