<?php

use App\Http\Controllers\Api\TokenController;
use App\Http\Middleware\MayBeAMomentOld;
use App\Http\Middleware\ShowWhoAgain;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/interface', [TokenController::class, 'index'])->name('interface');
    Route::post('/interface/tokens', [TokenController::class, 'store'])
        ->middleware(['throttle:dear', ShowWhoAgain::class])
        ->name('tokens.store');
    Route::delete('/interface/tokens/{token}', [TokenController::class, 'destroy'])->name('tokens.destroy');
});
