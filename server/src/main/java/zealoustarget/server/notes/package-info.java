/** Notes and reasons on a member and month. They are shown beside figures and never change one. */
package zealoustarget.server.notes;
