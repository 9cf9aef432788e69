import { laterPage } from '../../../src/nav/pages';

export default laterPage(({ RoofScreen }) => RoofScreen);
