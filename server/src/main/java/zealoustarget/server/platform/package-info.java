/**
 * What any room may need and none of them is about: problems, the state of the data, jobs'
 * surroundings, the data folder, JSON. It knows no room.
 */
package zealoustarget.server.platform;
