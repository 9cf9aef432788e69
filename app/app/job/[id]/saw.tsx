import { laterPage } from '../../../src/nav/pages';

export default laterPage(({ SawScreen }) => SawScreen);
