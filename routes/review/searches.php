<?php

use App\Http\Controllers\Searches\CheckController;
use App\Http\Controllers\Searches\DialectController;
use App\Http\Controllers\Searches\KnownItemController;
use App\Http\Controllers\Searches\ResultsController;
use App\Http\Controllers\Searches\RunController;
use App\Http\Controllers\Searches\SearchReportController;
use App\Http\Controllers\Searches\StandingSearchController;
use App\Http\Controllers\Searches\StrategyController;
use App\Http\Controllers\Searches\ThesaurusController;
use App\Http\Controllers\Searches\TranslationController;
use App\Http\Controllers\Searches\VersionController;
use App\Http\Middleware\MayBeAMomentOld;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/searches', [StrategyController::class, 'index'])->name('searches');
    Route::get('/searches/report', [SearchReportController::class, 'show'])->name('searches.report');
    Route::get('/searches/report/{format}', [SearchReportController::class, 'download'])
        ->whereIn('format', ['docx', 'txt'])
        ->middleware('throttle:dear')
        ->name('searches.report.download');
    Route::get('/runs/{run}', [RunController::class, 'show'])->name('runs.show');
    Route::get('/full-text', [RunController::class, 'fullText'])
        ->middleware('throttle:dear')
        ->name('full-text');
    Route::get('/thesauri', [ThesaurusController::class, 'index'])->name('thesauri');
    Route::get('/thesauri/find', [ThesaurusController::class, 'find'])->name('thesauri.find');
    Route::get('/thesauri/suggest', [ThesaurusController::class, 'suggest'])
        ->middleware('throttle:typing')
        ->name('thesauri.suggest');
    Route::get('/thesauri/heading', [ThesaurusController::class, 'heading'])->name('thesauri.heading');
    Route::get('/dialects', [DialectController::class, 'index'])->name('dialects');
});

Route::middleware('can:search,review')->group(function (): void {
    Route::get('/searches/new', [StrategyController::class, 'create'])->name('searches.create');
    Route::post('/searches', [StrategyController::class, 'store'])->name('searches.store');
    Route::put('/searches/report', [SearchReportController::class, 'update'])->name('searches.report.update');
    Route::put('/searches/{strategy}', [StrategyController::class, 'update'])->name('strategies.update');
    Route::post('/searches/{strategy}/changes', [StrategyController::class, 'change'])->name(
        'strategies.change',
    );
    Route::put('/searches/{strategy}/standing', [StandingSearchController::class, 'set'])
        ->can('deliver', 'review')
        ->name('strategies.standing.set');
    Route::delete('/searches/{strategy}/standing', [StandingSearchController::class, 'end'])->name(
        'strategies.standing.end',
    );
    Route::post('/searches/{strategy}/standing/rounds', [StandingSearchController::class, 'now'])
        ->can('deliver', 'review')
        ->middleware('throttle:dear')
        ->name('strategies.standing.now');
    Route::post('/searches/{strategy}/archive', [StrategyController::class, 'archive'])->name(
        'strategies.archive',
    );
    Route::post('/searches/{strategy}/marks', [TranslationController::class, 'mark'])->name('strategies.mark');
    Route::post('/searches/{strategy}/known-items', [KnownItemController::class, 'store'])->name(
        'strategies.known.store',
    );
    Route::delete('/searches/{strategy}/known-items/{item}', [KnownItemController::class, 'destroy'])
        ->withoutScopedBindings()
        ->name('strategies.known.destroy');
    Route::post('/searches/{strategy}/findings', [CheckController::class, 'dismiss'])->name(
        'strategies.findings.dismiss',
    );
    Route::delete('/searches/{strategy}/findings', [CheckController::class, 'bringBack'])->name(
        'strategies.findings.bring-back',
    );
    Route::post('/searches/{strategy}/versions', [VersionController::class, 'store'])->name(
        'strategies.versions.store',
    );
    Route::post('/searches/{strategy}/back', [VersionController::class, 'back'])->name('strategies.back');
    Route::post('/searches/{strategy}/runs', [RunController::class, 'store'])
        ->middleware('throttle:dear')
        ->name('strategies.runs.store');
    Route::post('/thesauri', [ThesaurusController::class, 'store'])
        ->middleware('throttle:dear')
        ->name('thesauri.store');
    Route::post('/thesauri/rulings', [ThesaurusController::class, 'rule'])->name('thesauri.rule');
    Route::post('/dialects', [DialectController::class, 'store'])->name('dialects.store');
    Route::post('/dialects/try', [DialectController::class, 'try'])
        ->middleware('throttle:dear')
        ->name('dialects.try');
});

Route::middleware('can:view,review')->group(function (): void {
    Route::get('/searches/{strategy}', [StrategyController::class, 'board'])->name('strategies.show');
    Route::get('/searches/{strategy}/lines', [StrategyController::class, 'lines'])->name('strategies.lines');
    Route::post('/searches/{strategy}/numbers', [StrategyController::class, 'numbers'])
        ->middleware('throttle:dear')
        ->name('strategies.numbers');
    Route::get('/searches/{strategy}/translation', [TranslationController::class, 'show'])->name(
        'strategies.translation',
    );
    Route::get('/searches/{strategy}/translation/{format}', [TranslationController::class, 'download'])
        ->whereIn('format', ['csv', 'docx', 'txt'])
        ->middleware('throttle:dear')
        ->name('strategies.translation.download');
    Route::get('/searches/{strategy}/known-items', [KnownItemController::class, 'show'])->name(
        'strategies.known',
    );
    Route::get('/searches/{strategy}/known-items/{item}/offers/{source}', [
        KnownItemController::class,
        'offers',
    ])
        ->withoutScopedBindings()
        ->middleware('throttle:dear')
        ->name('strategies.known.offers');
    Route::get('/searches/{strategy}/check', [CheckController::class, 'show'])
        ->middleware('throttle:dear')
        ->name('strategies.check');
    Route::get('/searches/{strategy}/versions', [VersionController::class, 'show'])->name(
        'strategies.versions',
    );
    Route::get('/searches/{strategy}/runs', [RunController::class, 'index'])->name('strategies.runs');
    Route::get('/searches/{strategy}/standing', [StandingSearchController::class, 'show'])->name('strategies.standing');
    Route::get('/searches/{strategy}/results', [ResultsController::class, 'index'])
        ->middleware('throttle:dear')
        ->name('strategies.results');
    Route::get('/searches/{strategy}/results/download', [ResultsController::class, 'download'])
        ->middleware('throttle:dear')
        ->name('strategies.results.download');
});

Route::middleware('can:deliver,review')->group(function (): void {
    Route::post('/runs/{run}/fetch', [RunController::class, 'fetch'])->name('runs.fetch');
});
