/**
 * The Earnings desk: statements of a month, their delivery, and the sealing of months. Pay is
 * reckoned in core ({@code commission}); here it is fetched, said and frozen.
 */
package zealoustarget.server.earnings;
