<?php

use App\Http\Controllers\Drafting\DraftChangeController;
use App\Http\Controllers\Drafting\DraftController;
use App\Http\Controllers\Drafting\DraftTakingController;
use App\Http\Middleware\MayBeAMomentOld;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/drafts/{draft}', [DraftController::class, 'show'])->name('drafts.show');
    Route::get('/drafts/{draft}/{step}.{format}', [DraftController::class, 'download'])
        ->whereIn('step', DraftController::STEPS)
        ->whereIn('format', ['csv', 'xlsx'])
        ->middleware('throttle:dear')
        ->name('drafts.download');
});

Route::middleware('can:search,review')->group(function (): void {
    Route::post('/scouting/{scouting}/draft', [DraftController::class, 'start'])
        ->middleware('throttle:dear')
        ->name('drafts.start');
    Route::post('/drafts/{draft}/criteria', [DraftChangeController::class, 'addCriterion'])->name('drafts.criteria');
    Route::put('/drafts/{draft}/criteria/{draftCriterion}', [DraftChangeController::class, 'criterion'])->name(
        'drafts.criterion',
    );
    Route::put('/drafts/{draft}/criteria/{draftCriterion}/{paper}', [DraftChangeController::class, 'answer'])->name(
        'drafts.answer',
    );
    Route::put('/drafts/{draft}/papers/{paper}', [DraftChangeController::class, 'paper'])->name('drafts.paper');
    Route::post('/drafts/{draft}/more', [DraftChangeController::class, 'deepen'])->name('drafts.more');
    Route::post('/drafts/{draft}/items', [DraftChangeController::class, 'addItem'])->name('drafts.items');
    Route::put('/drafts/{draft}/items/{draftItem}', [DraftChangeController::class, 'item'])->name('drafts.item');
});

Route::post('/drafts/{draft}/criteria/{draftCriterion}/taken', [DraftTakingController::class, 'criterion'])
    ->can('manage', 'review')
    ->name('drafts.criterion.take');
Route::post('/drafts/{draft}/items/{draftItem}/taken', [DraftTakingController::class, 'item'])
    ->can('manage', 'review')
    ->name('drafts.item.take');
Route::post('/drafts/{draft}/papers/taken', [DraftTakingController::class, 'papers'])
    ->can('deliver', 'review')
    ->name('drafts.papers.take');
Route::post('/drafts/{draft}/papers/{paper}/pdf', [DraftChangeController::class, 'pdf'])
    ->can('obtain', 'review')
    ->middleware('throttle:upload')
    ->withoutScopedBindings()
    ->name('drafts.pdf');
Route::post('/drafts/{draft}/sections/{section}/taken', [DraftTakingController::class, 'section'])
    ->can('write', 'review')
    ->name('drafts.section');
