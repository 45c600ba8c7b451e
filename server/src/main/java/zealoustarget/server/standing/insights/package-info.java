/**
 * What stands out in a standing, put into sentences. What counts as telling is decided in core
 * ({@code insight}).
 */
package zealoustarget.server.standing.insights;
