/** Stands in for the router's writer of page heads: this app has one head, and writes its title itself. */
import { Fragment } from 'react';

export const Head = { Provider: Fragment };
