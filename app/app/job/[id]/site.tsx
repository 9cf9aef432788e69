import { firstPage } from '../../../src/nav/pages';

export default firstPage(({ SiteForm }) => SiteForm);
