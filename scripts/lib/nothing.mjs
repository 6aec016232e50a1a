// Stands in for the package that keeps server code out of the browser, where tests run it in plain Node.
