<?php

use App\Http\Controllers\Team\ReviewController;
use App\Http\Controllers\Team\TeamController;
use App\Http\Middleware\MayBeAMomentOld;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/', [ReviewController::class, 'show'])->name('reviews.show');
    Route::get('/team', [TeamController::class, 'show'])->name('team');
});

Route::put('/closed', [ReviewController::class, 'close'])->can('close', 'review')->name('reviews.close');
Route::post('/copies', [ReviewController::class, 'copy'])->can('close', 'review')->name('reviews.copy');

Route::middleware('can:manage,review')->group(function (): void {
    Route::post('/team/invitations', [TeamController::class, 'invite'])
        ->middleware('throttle:invite')
        ->name('team.invite');
    Route::delete('/team/invitations/{invitation}', [TeamController::class, 'withdraw'])->name('team.withdraw');
    Route::put('/team/{membership}', [TeamController::class, 'change'])->name('team.change');
    Route::delete('/team/{membership}', [TeamController::class, 'remove'])->name('team.remove');
});
