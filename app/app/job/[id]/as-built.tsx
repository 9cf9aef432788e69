import { laterPage } from '../../../src/nav/pages';

export default laterPage(({ AsBuiltScreen }) => AsBuiltScreen);
