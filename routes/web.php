<?php

use App\Http\Controllers\Archive\ArchiveController;
use App\Http\Controllers\Report\ReadingController;
use App\Http\Controllers\Shared\TaskController;
use App\Http\Controllers\Team\HomeController;
use App\Http\Controllers\Team\InstitutionController;
use App\Http\Controllers\Team\InvitationController;
use App\Http\Controllers\Team\NoticeController;
use App\Http\Controllers\Team\PasswordController;
use App\Http\Controllers\Team\PersonalDataController;
use App\Http\Controllers\Team\PostRoomController;
use App\Http\Controllers\Team\ReviewController;
use App\Http\Controllers\Team\SecondFactorController;
use App\Http\Controllers\Team\SessionController;
use App\Http\Controllers\Team\WhoAgainController;
use App\Http\Middleware\KeepVisit;
use App\Http\Middleware\MayBeAMomentOld;
use App\Http\Middleware\ShowWhoAgain;
use App\Models\Letter;
use App\Models\Review;
use Illuminate\Support\Facades\Route;

// Every route names what it asks of the person: guest, or an ability of a policy. A test walks this list.

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SessionController::class, 'create'])->name('sign-in');
    Route::post('/sign-in', [SessionController::class, 'store'])->middleware('throttle:sign-in');
    Route::get('/sign-in/second', [SecondFactorController::class, 'ask'])->name('sign-in.second');
    Route::post('/sign-in/second', [SecondFactorController::class, 'answer'])->middleware('throttle:second-factor');
    Route::get('/forgot-password', [PasswordController::class, 'forgotten'])->name('password.forgotten');
    Route::post('/forgot-password', [PasswordController::class, 'sendLink'])->middleware('throttle:reset-link');
    Route::get('/reset-password/{token}', [PasswordController::class, 'edit'])->name('password.reset');
    Route::post('/reset-password', [PasswordController::class, 'update'])
        ->middleware('throttle:link')
        ->name('password.update');
});

// for guests, and for those who show again who they are
Route::middleware('throttle:institution')->group(function (): void {
    Route::get('/sign-in/institution', [InstitutionController::class, 'begin'])->name('institution');
    Route::get('/sign-in/institution/back', [InstitutionController::class, 'back'])->name('institution.back');
});

// the link itself is the right to use it
Route::get('/invitations/{token}', [InvitationController::class, 'show'])->name('invitations.show');
Route::post('/invitations/{token}', [InvitationController::class, 'accept'])
    ->middleware('throttle:link')
    ->name('invitations.accept');

Route::get('/post-room', [PostRoomController::class, 'index'])
    ->can('viewAny', Letter::class)
    ->name('post-room');
Route::get('/post-room/{letter}', [PostRoomController::class, 'show'])
    ->can('view', 'letter')
    ->name('post-room.letter');
Route::view('/design', 'design')->can('see-design')->name('design');

// the address itself is what lets somebody in, and only to these
Route::middleware(['throttle:reading', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/read/{token}', [ReadingController::class, 'show'])->name('reading');
    Route::get('/read/{token}/searches', [ReadingController::class, 'searches'])->name('reading.searches');
    Route::get('/read/{token}/decisions', [ReadingController::class, 'decisions'])->name('reading.decisions');
    Route::get('/read/{token}/papers/{paper}', [ReadingController::class, 'paper'])->name('reading.paper');
});
Route::post('/read/{token}/comments', [ReadingController::class, 'comment'])
    ->middleware('throttle:unlock')
    ->name('reading.comment');
Route::post('/read/{token}', [ReadingController::class, 'unlock'])->middleware('throttle:unlock')->name('reading.unlock');

Route::middleware('auth')->group(function (): void {
    // these show and change nothing but one's own
    Route::post('/sign-out', [SessionController::class, 'destroy'])->name('sign-out');
    Route::get('/', HomeController::class)->name('home');
    Route::get('/account', [PasswordController::class, 'account'])->name('account');
    Route::put('/account', [PasswordController::class, 'change'])
        ->middleware('throttle:own-password')
        ->name('account.change');
    Route::get('/account/who-again', [WhoAgainController::class, 'ask'])->name('who-again');
    Route::post('/account/who-again', [WhoAgainController::class, 'answer'])->middleware('throttle:own-password');
    Route::middleware(ShowWhoAgain::class)->group(function (): void {
        Route::post('/account/second-factor', [SecondFactorController::class, 'begin'])->name('second-factor');
        Route::put('/account/second-factor', [SecondFactorController::class, 'confirm'])->middleware('throttle:own-password');
        Route::delete('/account/second-factor', [SecondFactorController::class, 'remove']);
        Route::post('/account/second-factor/codes', [SecondFactorController::class, 'renew'])->name('second-factor.codes');
    });
    Route::get('/account/data', [PersonalDataController::class, 'download'])->middleware('throttle:dear')->name('account.data');
    Route::delete('/account', [PersonalDataController::class, 'remove'])
        ->middleware('throttle:own-password')
        ->name('account.remove');
    Route::delete('/account/sessions', [SessionController::class, 'end'])->name('sessions.end');
    Route::put('/account/notices', [NoticeController::class, 'change'])->name('account.notices');
    Route::get('/notices', [NoticeController::class, 'index'])->name('notices');
    Route::post('/notices', [NoticeController::class, 'read'])->name('notices.read');
    Route::get('/tasks', [TaskController::class, 'index'])->name('tasks');
    Route::post('/tasks/{task}/cancel', [TaskController::class, 'cancel'])
        ->can('cancel', 'task')
        ->name('tasks.cancel');
    Route::post('/tasks/seen', [TaskController::class, 'seen'])->name('tasks.seen');

    Route::get('/archives/bring-in', [ArchiveController::class, 'create'])
        ->can('create', Review::class)
        ->name('archives.create');
    Route::post('/archives', [ArchiveController::class, 'store'])
        ->can('create', Review::class)
        ->middleware('throttle:dear')
        ->name('archives.store');
    Route::get('/reviews/new', [ReviewController::class, 'create'])
        ->can('create', Review::class)
        ->name('reviews.create');
    Route::post('/reviews', [ReviewController::class, 'store'])
        ->can('create', Review::class)
        ->name('reviews.store');
});

// what is of one review, area by area
Route::prefix('/reviews/{review}')
    ->middleware(['auth', KeepVisit::class])
    ->scopeBindings()
    ->group(function (): void {
        require __DIR__.'/review/team.php';
        require __DIR__.'/review/question.php';
        require __DIR__.'/review/scouting.php';
        require __DIR__.'/review/asking.php';
        require __DIR__.'/review/drafting.php';
        require __DIR__.'/review/searches.php';
        require __DIR__.'/review/deliveries.php';
        require __DIR__.'/review/library.php';
        require __DIR__.'/review/matching.php';
        require __DIR__.'/review/full-texts.php';
        require __DIR__.'/review/screening.php';
        require __DIR__.'/review/synthesis.php';
        require __DIR__.'/review/report.php';
        require __DIR__.'/review/archive.php';
        require __DIR__.'/review/api.php';
        require __DIR__.'/review/shared.php';
        // last: its cells catch what the others leave
        require __DIR__.'/review/coding.php';
    });
