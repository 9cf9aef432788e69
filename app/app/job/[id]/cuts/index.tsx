import { firstPage } from '../../../../src/nav/pages';

export default firstPage(({ CutsScreen }) => CutsScreen);
