/** House styles, which all reports of an installation share. */
package org.grammatus.server.style;
