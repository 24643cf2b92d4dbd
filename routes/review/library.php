<?php

use App\Http\Controllers\Library\ExportController;
use App\Http\Controllers\Library\LibraryController;
use App\Http\Controllers\Library\PublicationController;
use App\Http\Controllers\Library\RecipeController;
use App\Http\Middleware\MayBeAMomentOld;
use App\Http\Middleware\WritesDownTakingOut;
use Illuminate\Support\Facades\Route;
use WaryHeron\Core\Bibliography\Format\Formats;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/records', [LibraryController::class, 'index'])
        ->middleware('throttle:query')
        ->name('library');
    Route::get('/records/export/{format}', [LibraryController::class, 'export'])
        ->whereIn('format', [...array_keys(Formats::TITLES), 'references'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->name('library.export');
    Route::get('/publications/{publication}', [PublicationController::class, 'show'])->name(
        'publications.show',
    );
    Route::get('/exports/included/{format}', [ExportController::class, 'included'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->name('exports.included');
    Route::get('/exports/decisions.{format}', [ExportController::class, 'decisions'])
        ->whereIn('format', ['csv', 'xlsx'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->name('exports.decisions');
});

Route::middleware('can:deliver,review')->group(function (): void {
    Route::get('/records/describe', [PublicationController::class, 'describe'])
        ->middleware('throttle:dear')
        ->name('library.describe');
    Route::post('/records', [PublicationController::class, 'add'])->name('library.add');
    Route::post('/publications/{publication}/values', [PublicationController::class, 'mend'])->name(
        'publications.mend',
    );
    Route::post('/recipes', [RecipeController::class, 'store'])->name('recipes.store');
    Route::delete('/recipes/{recipe}', [RecipeController::class, 'destroy'])->name('recipes.destroy');
    Route::post('/recipes/{recipe}/export', [RecipeController::class, 'export'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->name('recipes.export');
    Route::post('/records/{record}/separate', [PublicationController::class, 'separate'])->name(
        'records.separate',
    );
    Route::post('/records/{record}/rejoin', [PublicationController::class, 'rejoin'])->name('records.rejoin');
    Route::post('/records/remove', [LibraryController::class, 'remove'])->name('library.remove');
    Route::post('/records/restore', [LibraryController::class, 'restore'])->name('library.restore');
});

Route::post('/records/tags', [LibraryController::class, 'tag'])
    ->can('tag', 'review')
    ->name('library.tag');
