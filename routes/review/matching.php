<?php

use App\Http\Controllers\Matching\MatchingController;
use App\Http\Controllers\Matching\PairingController;
use App\Http\Middleware\MayBeAMomentOld;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/matching', [MatchingController::class, 'show'])->name('matching');
    Route::get('/matching/certain', [MatchingController::class, 'certain'])->name('matching.certain');
    Route::get('/matching/joined', [MatchingController::class, 'joined'])->name('matching.joined');
});

Route::middleware('can:deliver,review')->group(function (): void {
    Route::post('/matching', [MatchingController::class, 'start'])->name('matching.start');
    Route::put('/matching/settings', [MatchingController::class, 'save'])->name('matching.settings');
    Route::post('/matching/join', [MatchingController::class, 'join'])->name('matching.join');
    Route::post('/matching/joins/{join}/undo', [MatchingController::class, 'undo'])->name('matching.undo');
    Route::post('/matching/{matching}/undo', [MatchingController::class, 'undoAll'])->name('matching.undo-all');
    Route::get('/pairing', [PairingController::class, 'show'])->name('pairing');
    Route::get('/pairing/ahead', [PairingController::class, 'ahead'])->name('pairing.ahead');
    Route::post('/pairing/rulings', [PairingController::class, 'rule'])->name('pairing.rule');
    Route::post('/pairing/undo', [PairingController::class, 'undo'])->name('pairing.undo');
});
