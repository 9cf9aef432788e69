import { laterPage } from '../../../src/nav/pages';

export default laterPage(({ PatternsScreen }) => PatternsScreen);
