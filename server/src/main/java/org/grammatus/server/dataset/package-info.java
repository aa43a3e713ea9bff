/** Datasets over HTTP: what their fields are, what can be made of them, and the values they have. */
package org.grammatus.server.dataset;
