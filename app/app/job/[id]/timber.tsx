import { laterPage } from '../../../src/nav/pages';

export default laterPage(({ TimberForm }) => TimberForm);
