/**
 * Every screen beyond the list of jobs, in one piece, read when the first of them is wanted: what two pieces
 * share, Metro would put into the first view.
 */
export { Crew } from './crew/Crew';
export { Join } from './crew/Join';
export { SignIn } from './crew/SignIn';
export { NewJob } from './jobs/NewJob';
export { JobPlaces } from './job/JobPlaces';
export { openEarly } from './job/open';
export { SitePlace } from './site/SitePlace';
export { FirstPage } from './outbox/FirstPage';
export { OutboxPlace } from './outbox/OutboxPlace';
export { Settings } from './settings/Settings';
export { theModel } from '../model/model';
