import { firstPage } from '../../../src/nav/pages';

export default firstPage(({ JobPage }) => JobPage);
