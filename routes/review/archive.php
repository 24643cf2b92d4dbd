<?php

use App\Http\Controllers\Archive\MadeFileController;
use App\Http\Middleware\MayBeAMomentOld;
use App\Http\Middleware\WritesDownTakingOut;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::post('/report/made', [MadeFileController::class, 'store'])->middleware('throttle:dear')->name('made.store');
    Route::get('/report/made/{file}', [MadeFileController::class, 'download'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->name('made.download');
});
