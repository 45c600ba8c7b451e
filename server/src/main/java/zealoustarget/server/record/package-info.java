/**
 * Whether trail, seals and rows are as they were written. It asks the rooms that keep them and
 * repairs nothing.
 */
package zealoustarget.server.record;
