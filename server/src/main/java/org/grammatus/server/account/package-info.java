/** Who may come in, and as what. */
package org.grammatus.server.account;
