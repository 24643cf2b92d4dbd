<?php

use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Foundation\Configuration\Exceptions;
return Application::configure(basePath: dirname(__DIR__))->withExceptions(fn (Exceptions $e) => null)->withMiddleware(fn (Middleware $m) => null)->create();
