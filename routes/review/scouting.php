<?php

use App\Http\Controllers\Scouting\NamedThingsController;
use App\Http\Controllers\Scouting\ScoutedExportController;
use App\Http\Controllers\Scouting\ScoutedPaperController;
use App\Http\Controllers\Scouting\ScoutingController;
use App\Http\Middleware\MayBeAMomentOld;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/scouting', [ScoutingController::class, 'index'])->name('scouting');
    Route::get('/scouting/{scouting}', [ScoutingController::class, 'show'])
        ->middleware('throttle:query')
        ->name('scouting.show');
    Route::get('/scouting/{scouting}/sharper', [ScoutingController::class, 'sharper'])
        ->middleware('throttle:dear')
        ->name('scouting.sharper');
    Route::get('/scouting/{scouting}/papers.{format}', [ScoutedExportController::class, 'download'])
        ->whereIn('format', ['csv', 'xlsx', 'ris', 'bibtex'])
        ->middleware('throttle:dear')
        ->name('scouting.download');
    Route::get('/scouting/{scouting}/named/{kind}', [NamedThingsController::class, 'show'])
        ->middleware('throttle:query')
        ->name('scouting.things');
    Route::get('/scouting/{scouting}/named/{kind}/{format}', [NamedThingsController::class, 'download'])
        ->whereIn('format', ['csv', 'xlsx'])
        ->middleware('throttle:dear')
        ->name('scouting.named');
});

Route::middleware('can:search,review')->group(function (): void {
    Route::post('/scouting', [ScoutingController::class, 'ask'])->middleware('throttle:dear')->name('scouting.ask');
    Route::post('/scouting/{scouting}/again', [ScoutingController::class, 'again'])
        ->middleware('throttle:dear')
        ->name('scouting.again');
    Route::post('/scouting/{scouting}/further', [ScoutedPaperController::class, 'further'])->name('scouting.further');
    Route::post('/scouting/{scouting}/further/{further}', [ScoutedPaperController::class, 'ofAll'])
        ->withoutScopedBindings()
        ->name('scouting.further.all');
    Route::delete('/scouting/{scouting}/further/{further}', [ScoutedPaperController::class, 'takeBack'])
        ->withoutScopedBindings()
        ->name('scouting.further.back');
    Route::put('/scouting/{scouting}/papers/{paper}', [ScoutedPaperController::class, 'throwOut'])
        ->withoutScopedBindings()
        ->name('scouting.paper');
    Route::post('/scouting/{scouting}/named/{kind}/board', [NamedThingsController::class, 'board'])->name(
        'scouting.board',
    );
    Route::post('/scouting/{scouting}/known', [ScoutedExportController::class, 'known'])->name('scouting.known');
    Route::post('/scouting/{scouting}/delivery', [ScoutedExportController::class, 'deliver'])
        ->can('deliver', 'review')
        ->name('scouting.deliver');
});

Route::post('/scouting/{scouting}/further/{further}/codebook', [ScoutedPaperController::class, 'intoCodebook'])
    ->can('code', 'review')
    ->withoutScopedBindings()
    ->name('scouting.further.codebook');
