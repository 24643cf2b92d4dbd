<?php

use App\Http\Controllers\Api\ListingController;
use App\Http\Controllers\Api\ReviewApiController;
use App\Http\Controllers\Api\SynthesisApiController;
use App\Http\Controllers\Api\WorkController;
use App\Http\Middleware\KnowsOwnWrites;
use App\Http\Middleware\MayBeAMomentOld;
use App\Http\Middleware\OfToken;
use App\Http\Middleware\OnlyOnce;
use App\Http\Middleware\WritesDownTakingOut;
use App\Queries\Api\Listings;
use Illuminate\Support\Facades\Route;

Route::get('/openapi.json', [ReviewApiController::class, 'description'])
    ->middleware(['throttle:reading', 'cache.headers:public;max_age=300;etag'])
    ->name('api.description');

Route::prefix('/reviews/{review}')
    ->middleware(['auth:sanctum', 'throttle:api', KnowsOwnWrites::class])
    ->scopeBindings()
    ->group(function (): void {
        Route::middleware([OfToken::class.':read', 'can:view,review', 'cache.headers:private;etag', MayBeAMomentOld::class])->group(function (): void {
            Route::get('/', [ReviewApiController::class, 'show'])->name('api.review');
            Route::get('/numbers', [ReviewApiController::class, 'numbers'])->name('api.numbers');
            Route::get('/report', [ReviewApiController::class, 'report'])->name('api.report');
            Route::get('/tables/{table}/rows', [SynthesisApiController::class, 'table'])
                ->middleware('throttle:query')
                ->name('api.table');
            Route::get('/map', [SynthesisApiController::class, 'map'])->middleware('throttle:query')->name('api.map');
            Route::get('/{listing}', [ListingController::class, 'index'])
                ->whereIn('listing', array_keys(Listings::all()))
                ->name('api.list');
            Route::get('/{listing}/{id}', [ListingController::class, 'show'])
                ->whereIn('listing', array_keys(Listings::all()))
                ->where('id', '[0-9a-z]{26}')
                ->name('api.one');
        });
        Route::get('/full-texts/{fullText}/file', [SynthesisApiController::class, 'file'])
            ->middleware([OfToken::class.':read', 'can:view,review', WritesDownTakingOut::class])
            ->name('api.file');
        Route::middleware(OnlyOnce::class)->group(function (): void {
            Route::post('/deliveries', [WorkController::class, 'deliver'])
                ->middleware([OfToken::class.':deliver', 'can:deliver,review', 'throttle:upload'])
                ->name('api.deliver');
            Route::post('/items/{item}/decision', [WorkController::class, 'decide'])
                ->middleware([OfToken::class.':decide', 'can:screen,review'])
                ->name('api.decide');
            Route::delete('/items/{item}/decision', [WorkController::class, 'takeBack'])
                ->middleware([OfToken::class.':decide', 'can:screen,review'])
                ->name('api.take-back');
            Route::put('/publications/{publication}/answers/{code}', [WorkController::class, 'answer'])
                ->middleware([OfToken::class.':code', 'can:code,review'])
                ->withoutScopedBindings()
                ->name('api.answer');
        });
    });
