import { laterPage } from '../../../src/nav/pages';

export default laterPage(({ FitScreen }) => FitScreen);
