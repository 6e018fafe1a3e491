// First of all: whatever is loaded after it may have words of its own.
import '../shared/language';
import './fonts';
import 'virtual:globals.css';
import { matchRoutes } from 'react-router';
import { meQuery } from '../shared/me';
import { queries } from '../shared/queries';
import { loadAhead, openRooms } from '../shared/rooms';
import { found } from './rooms';
import { makeRoutes } from './routes';

// Who asks decides what comes up: nothing waits for anything else before that is asked.
void queries.prefetchQuery(meQuery);

// The pages of the address come while the theme is made.
openRooms(found);
const routes = makeRoutes();
loadAhead(matchRoutes(routes, location.pathname));

/** Lets the browser paint and answer between one piece of work and the next. */
const pause = () => new Promise((done) => setTimeout(done));

// The theme, the program and the first page, each in a task of its own: together they would hold a phone up for a second.
const { system } = await import('./theme');
await pause();
const { start } = await import('./start');
await pause();
await start(system, routes);
