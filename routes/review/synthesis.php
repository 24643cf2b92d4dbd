<?php

use App\Http\Controllers\Synthesis\AnalysisController;
use App\Http\Controllers\Synthesis\CertaintyController;
use App\Http\Controllers\Synthesis\MapController;
use App\Http\Controllers\Synthesis\OutcomeController;
use App\Http\Controllers\Synthesis\ResultController;
use App\Http\Controllers\Synthesis\ResultDifferenceController;
use App\Http\Controllers\Synthesis\SavedTableController;
use App\Http\Controllers\Synthesis\SoundnessController;
use App\Http\Middleware\MayBeAMomentOld;
use App\Http\Middleware\WritesDownTakingOut;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/coding/differences/numbers', [ResultDifferenceController::class, 'index'])
        ->name('reconcile.results');
    Route::get('/coding/{publication}/results', [ResultController::class, 'index'])->name('results');
    Route::get('/synthesis', [MapController::class, 'show'])->middleware('throttle:query')->name('map');
    Route::get('/synthesis/map.{format}', [MapController::class, 'download'])
        ->whereIn('format', ['svg', 'png', 'pdf', 'csv', 'xlsx', 'html'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->name('map.download');
    Route::get('/synthesis/tables', [SavedTableController::class, 'index'])->name('tables');
    Route::get('/synthesis/tables/{table}.{format}', [SavedTableController::class, 'download'])
        ->whereIn('format', ['csv', 'xlsx', 'docx'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->name('tables.download');
    Route::get('/synthesis/tables/{table}', [SavedTableController::class, 'show'])
        ->middleware('throttle:query')
        ->name('tables.show');
    Route::get('/synthesis/soundness', [SoundnessController::class, 'show'])->name('soundness');
    Route::get('/synthesis/soundness.{format}', [SoundnessController::class, 'download'])
        ->whereIn('format', ['svg', 'png', 'pdf', 'csv', 'xlsx'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->name('soundness.download');
    Route::get('/synthesis/outcomes', [OutcomeController::class, 'index'])->name('outcomes');
    Route::get('/synthesis/certainty', [CertaintyController::class, 'show'])
        ->middleware('throttle:query')
        ->name('certainty');
    Route::get('/synthesis/certainty.{format}', [CertaintyController::class, 'download'])
        ->whereIn('format', ['csv', 'xlsx', 'html'])
        ->middleware('throttle:dear')
        ->name('certainty.download');
    Route::get('/synthesis/analyses', [AnalysisController::class, 'index'])
        ->middleware('throttle:query')
        ->name('analyses');
    Route::get('/synthesis/analyses/{analysis}', [AnalysisController::class, 'show'])
        ->middleware('throttle:query')
        ->name('analyses.show');
    Route::get('/synthesis/analyses/{analysis}/{picture}.{format}', [AnalysisController::class, 'download'])
        ->whereIn('picture', ['forest', 'funnel', 'regression', 'data'])
        ->whereIn('format', ['svg', 'png', 'pdf', 'csv', 'xlsx'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->name('analyses.download');
});

Route::middleware('can:manage,review')->group(function (): void {
    Route::post('/synthesis/outcomes', [OutcomeController::class, 'store'])->name('outcomes.store');
    Route::put('/synthesis/outcomes/{outcome}', [OutcomeController::class, 'update'])->name('outcomes.update');
    Route::post('/synthesis/outcomes/{outcome}/retire', [OutcomeController::class, 'retire'])->name('outcomes.retire');
    Route::post('/synthesis/groups', [OutcomeController::class, 'arm'])->name('groups.store');
    Route::post('/synthesis/comparisons', [OutcomeController::class, 'compare'])->name('comparisons.store');
    Route::post('/synthesis/comparisons/{comparison}/retire', [OutcomeController::class, 'endComparison'])->name(
        'comparisons.retire',
    );
});

Route::post('/coding/{publication}/results/settlement', [ResultDifferenceController::class, 'settle'])
    ->can('code', 'review')
    ->name('reconcile.results.settle');
Route::put('/coding/{publication}/results/{row}', [ResultController::class, 'save'])
    ->can('code', 'review')
    ->where('row', '[0-9a-hjkmnp-tv-zA-HJKMNP-TV-Z]{26}')
    ->name('results.save');
Route::put('/synthesis/analyses/{analysis}/certainty', [CertaintyController::class, 'update'])
    ->can('code', 'review')
    ->name('certainty.update');
Route::post('/synthesis/tables', [SavedTableController::class, 'store'])->can('code', 'review')->name('tables.store');
Route::put('/synthesis/tables/{table}', [SavedTableController::class, 'update'])
    ->can('code', 'review')
    ->name('tables.update');
Route::post('/synthesis/tables/{table}/retire', [SavedTableController::class, 'retire'])
    ->can('code', 'review')
    ->name('tables.retire');
Route::post('/synthesis/analyses', [AnalysisController::class, 'store'])
    ->can('code', 'review')
    ->name('analyses.store');
Route::put('/synthesis/analyses/{analysis}', [AnalysisController::class, 'update'])
    ->can('code', 'review')
    ->name('analyses.update');
Route::post('/synthesis/analyses/{analysis}/retire', [AnalysisController::class, 'retire'])
    ->can('code', 'review')
    ->name('analyses.retire');
