<?php

use App\Http\Controllers\Asking\AskController;
use App\Http\Middleware\MayBeAMomentOld;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/ask', [AskController::class, 'index'])->name('ask');
    Route::post('/ask', [AskController::class, 'store'])->middleware('throttle:dear')->name('ask.store');
    Route::get('/ask/{question}', [AskController::class, 'show'])->name('ask.show');
    Route::delete('/ask/{question}', [AskController::class, 'forget'])->name('ask.forget');
    Route::post('/ask/{question}/claim', [AskController::class, 'claim'])->name('ask.claim');
});
