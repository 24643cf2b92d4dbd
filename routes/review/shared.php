<?php

use App\Http\Controllers\Shared\FindController;
use App\Http\Controllers\Shared\TableRecipeController;
use App\Http\Middleware\MayBeAMomentOld;
use App\Http\Middleware\WritesDownTakingOut;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/find', FindController::class)->name('find');
});

Route::middleware('can:search,review')->group(function (): void {
    Route::post('/scouting/{scouting}/recipes', [TableRecipeController::class, 'ofScouting'])->name('scouting.recipes');
    Route::delete('/scouting/recipes/{recipe}', [TableRecipeController::class, 'destroy'])->name(
        'scouting.recipes.destroy',
    );
    Route::post('/scouting/{scouting}/recipes/{recipe}', [TableRecipeController::class, 'scouting'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->withoutScopedBindings()
        ->name('scouting.recipes.export');
});

Route::middleware('can:code,review')->group(function (): void {
    Route::post('/coding/recipes', [TableRecipeController::class, 'ofCoding'])->name('coding.recipes');
    Route::delete('/coding/recipes/{recipe}', [TableRecipeController::class, 'destroy'])->name(
        'coding.recipes.destroy',
    );
    Route::post('/coding/recipes/{recipe}', [TableRecipeController::class, 'coding'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->name('coding.recipes.export');
});
