/** Saved views: a name for an address of a desk, own or shared. */
package zealoustarget.server.views;
