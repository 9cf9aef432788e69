import { onSite } from '../src/nav/in-a-job';

export default onSite(({ PracticeScreen }) => PracticeScreen);
