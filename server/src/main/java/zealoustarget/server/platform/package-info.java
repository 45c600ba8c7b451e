/**
 * What any room may need and none of them is about; its own rooms are problems, http, storage and
 * state. It knows no feature.
 */
package zealoustarget.server.platform;
