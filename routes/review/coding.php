<?php

use App\Http\Controllers\Coding\CodebookController;
use App\Http\Controllers\Coding\CodingController;
use App\Http\Controllers\Coding\CodingDeskController;
use App\Http\Controllers\Coding\CodingShareController;
use App\Http\Controllers\Coding\LeadController;
use App\Http\Controllers\Coding\PartController;
use App\Http\Controllers\Coding\PassageController;
use App\Http\Controllers\Coding\ReconcileController;
use App\Http\Controllers\Coding\SubsetController;
use App\Http\Middleware\MayBeAMomentOld;
use App\Http\Middleware\WritesDownTakingOut;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/coding', [CodingController::class, 'index'])->name('coding');
    Route::get('/coding-shares', [CodingShareController::class, 'show'])->name('coding.shares');
    Route::get('/in-depth', [SubsetController::class, 'show'])->name('coding.subset');
    Route::get('/codebook', [CodebookController::class, 'show'])->name('codebook');
    Route::get('/codebook/sheet', [CodebookController::class, 'sheet'])->name('codebook.sheet');
    Route::get('/codebook/file/{format}', [CodebookController::class, 'export'])
        ->whereIn('format', ['json', 'csv'])
        ->name('codebook.file');
    Route::get('/coding/papers/{fullText}', [CodingDeskController::class, 'paper'])->name('coding.paper');
    Route::get('/coding/papers/{fullText}/find', [CodingDeskController::class, 'find'])->name('coding.find');
    Route::get('/coding/passages', [PassageController::class, 'index'])->middleware('throttle:query')->name('passages');
    Route::get('/exports/passages.{format}', [PassageController::class, 'export'])
        ->whereIn('format', ['csv', 'xlsx', 'jsonld'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->name('passages.export');
    Route::get('/coding/{publication}/passages', [PassageController::class, 'of'])->name('passages.of');
    Route::get('/coding/differences', [ReconcileController::class, 'index'])->name('reconcile');
    Route::get('/coding/{publication}/{code}', [CodingController::class, 'cell'])
        ->withoutScopedBindings()
        ->name('coding.cell');
    Route::get('/coding/{publication}', [CodingDeskController::class, 'show'])->name('coding.show');
    Route::get('/exports/coding.{format}', [CodingController::class, 'export'])
        ->whereIn('format', ['csv', 'xlsx', 'docx'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->name('exports.coding');
});

Route::middleware('can:manage,review')->group(function (): void {
    Route::put('/in-depth', [SubsetController::class, 'define'])->name('coding.subset.define');
    Route::post('/in-depth/changes', [SubsetController::class, 'follow'])->name('coding.subset.follow');
    Route::post('/in-depth/studies', [SubsetController::class, 'byHand'])->name('coding.subset.hand');
    Route::post('/coding-shares', [CodingShareController::class, 'store'])->name('coding.shares.store');
    Route::post('/coding-shares/{membership}/hand-on', [CodingShareController::class, 'handOn'])->name(
        'coding.shares.hand-on',
    );
    Route::delete('/coding-shares/{membership}', [CodingShareController::class, 'takeBack'])->name(
        'coding.shares.take-back',
    );
    Route::post('/codebook', [CodebookController::class, 'add'])->name('codes.store');
    Route::put('/codebook/terms', [CodebookController::class, 'terms'])->name('codebook.terms');
    Route::post('/codebook/file', [CodebookController::class, 'import'])->name('codebook.import');
    Route::put('/codebook/{code}', [CodebookController::class, 'change'])->name('codes.update');
    Route::post('/codebook/{code}/move', [CodebookController::class, 'move'])->name('codes.move');
});

Route::post('/coding/leads', [LeadController::class, 'start'])->can('code', 'review')->name('leads.start');
Route::post('/coding/{publication}/{code}/lead', [LeadController::class, 'rule'])
    ->can('code', 'review')
    ->withoutScopedBindings()
    ->name('leads.rule');
Route::post('/coding/{publication}/{code}/settlement', [ReconcileController::class, 'settle'])
    ->can('code', 'review')
    ->withoutScopedBindings()
    ->name('reconcile.settle');
Route::post('/coding/{publication}/passages', [PassageController::class, 'store'])
    ->can('code', 'review')
    ->name('passages.store');
Route::put('/coding/passages/{passage}', [PassageController::class, 'change'])
    ->can('code', 'review')
    ->name('passages.change');
Route::delete('/coding/passages/{passage}', [PassageController::class, 'remove'])
    ->can('code', 'review')
    ->name('passages.remove');
Route::post('/coding/themes/{theme}', [PassageController::class, 'theme'])
    ->can('code', 'review')
    ->name('themes.change');
Route::post('/coding/{publication}/parts', [PartController::class, 'store'])
    ->can('code', 'review')
    ->name('parts.store');
Route::put('/coding/{publication}/parts/{part}', [PartController::class, 'update'])
    ->can('code', 'review')
    ->withoutScopedBindings()
    ->name('parts.update');
Route::post('/coding/{publication}/parts/{part}', [PartController::class, 'move'])
    ->can('code', 'review')
    ->withoutScopedBindings()
    ->name('parts.move');
Route::put('/coding/{publication}/{code}', [CodingDeskController::class, 'answer'])
    ->can('code', 'review')
    ->withoutScopedBindings()
    ->name('coding.answer');
