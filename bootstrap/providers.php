<?php

use App\Providers\AppServiceProvider;
use App\Providers\EngineServiceProvider;

return [AppServiceProvider::class, EngineServiceProvider::class];
