<?php

use App\Http\Controllers\Shared\HealthController;
use Illuminate\Support\Facades\Route;

// without sessions: whoever watches the machine asks every few seconds
Route::get('/ready', [HealthController::class, 'ready'])->middleware('throttle:reading')->name('ready');
Route::get('/metrics', [HealthController::class, 'metrics'])->middleware('throttle:reading')->name('metrics');
