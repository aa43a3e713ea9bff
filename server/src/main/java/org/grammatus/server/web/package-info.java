/** What every request passes before anything else: which names the server goes by, and how large and slow a body may be. */
package org.grammatus.server.web;
