<?php

use App\Files\Out\SvgPicture;
use App\Http\Controllers\Api\TokenController;
use App\Http\Controllers\Archive\ArchiveController;
use App\Http\Controllers\Archive\MadeFileController;
use App\Http\Controllers\Asking\AskController;
use App\Http\Controllers\Coding\CodebookController;
use App\Http\Controllers\Coding\CodingController;
use App\Http\Controllers\Coding\CodingDeskController;
use App\Http\Controllers\Coding\CodingShareController;
use App\Http\Controllers\Coding\LeadController;
use App\Http\Controllers\Coding\PartController;
use App\Http\Controllers\Coding\PassageController;
use App\Http\Controllers\Coding\ReconcileController;
use App\Http\Controllers\Coding\SubsetController;
use App\Http\Controllers\Deliveries\DeliveryController;
use App\Http\Controllers\Drafting\DraftChangeController;
use App\Http\Controllers\Drafting\DraftController;
use App\Http\Controllers\Drafting\DraftTakingController;
use App\Http\Controllers\FullTexts\FullTextController;
use App\Http\Controllers\FullTexts\RetrievalController;
use App\Http\Controllers\FullTexts\StudyController;
use App\Http\Controllers\Library\ExportController;
use App\Http\Controllers\Library\LibraryController;
use App\Http\Controllers\Library\PublicationController;
use App\Http\Controllers\Library\RecipeController;
use App\Http\Controllers\Matching\MatchingController;
use App\Http\Controllers\Matching\PairingController;
use App\Http\Controllers\Question\QuestionController;
use App\Http\Controllers\Report\ComposerController;
use App\Http\Controllers\Report\LogController;
use App\Http\Controllers\Report\ReadingController;
use App\Http\Controllers\Report\ReadingLinkController;
use App\Http\Controllers\Report\ReportController;
use App\Http\Controllers\Report\ReportVersionController;
use App\Http\Controllers\Report\WorkDiagramController;
use App\Http\Controllers\Scouting\NamedThingsController;
use App\Http\Controllers\Scouting\ScoutedExportController;
use App\Http\Controllers\Scouting\ScoutedPaperController;
use App\Http\Controllers\Scouting\ScoutingController;
use App\Http\Controllers\Screening\DeskController;
use App\Http\Controllers\Screening\DisagreementController;
use App\Http\Controllers\Screening\MarkListController;
use App\Http\Controllers\Screening\ReadingOrderController;
use App\Http\Controllers\Screening\ScreeningController;
use App\Http\Controllers\Screening\ShareOutController;
use App\Http\Controllers\Screening\StageController;
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
use App\Http\Controllers\Shared\FindController;
use App\Http\Controllers\Shared\TableRecipeController;
use App\Http\Controllers\Shared\TaskController;
use App\Http\Controllers\Synthesis\AnalysisController;
use App\Http\Controllers\Synthesis\CertaintyController;
use App\Http\Controllers\Synthesis\MapController;
use App\Http\Controllers\Synthesis\OutcomeController;
use App\Http\Controllers\Synthesis\ResultController;
use App\Http\Controllers\Synthesis\ResultDifferenceController;
use App\Http\Controllers\Synthesis\SavedTableController;
use App\Http\Controllers\Synthesis\SoundnessController;
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
use App\Http\Controllers\Team\TeamController;
use App\Http\Controllers\Team\WhoAgainController;
use App\Http\Middleware\KeepVisit;
use App\Http\Middleware\MayBeAMomentOld;
use App\Http\Middleware\ShowWhoAgain;
use App\Http\Middleware\WritesDownTakingOut;
use App\Models\Letter;
use App\Models\Review;
use Illuminate\Support\Facades\Route;
use WaryHeron\Core\Bibliography\Format\Formats;

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

Route::prefix('/reviews/{review}')
    ->middleware(['auth', KeepVisit::class])
    ->scopeBindings()
    ->group(function (): void {
        Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
            Route::get('/', [ReviewController::class, 'show'])->name('reviews.show');
            Route::get('/find', FindController::class)->name('find');
            Route::get('/question', [QuestionController::class, 'show'])->name('question');
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
            Route::get('/drafts/{draft}', [DraftController::class, 'show'])->name('drafts.show');
            Route::get('/drafts/{draft}/{step}.{format}', [DraftController::class, 'download'])
                ->whereIn('step', DraftController::STEPS)
                ->whereIn('format', ['csv', 'xlsx'])
                ->middleware('throttle:dear')
                ->name('drafts.download');
            Route::get('/team', [TeamController::class, 'show'])->name('team');
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
            Route::get('/deliveries', [DeliveryController::class, 'index'])->name('deliveries');
            Route::get('/deliveries/{delivery}', [DeliveryController::class, 'show'])->name('deliveries.show');
            Route::get('/deliveries/{delivery}/rejected', [DeliveryController::class, 'rejected'])
                ->middleware(['throttle:dear', WritesDownTakingOut::class])
                ->name('deliveries.rejected');
            Route::get('/records', [LibraryController::class, 'index'])
                ->middleware('throttle:query')
                ->name('library');
            Route::get('/records/export/{format}', [LibraryController::class, 'export'])
                ->whereIn('format', [...array_keys(Formats::TITLES), 'references'])
                ->middleware(['throttle:dear', WritesDownTakingOut::class])
                ->name('library.export');
            Route::get('/matching', [MatchingController::class, 'show'])->name('matching');
            Route::get('/matching/certain', [MatchingController::class, 'certain'])->name('matching.certain');
            Route::get('/matching/joined', [MatchingController::class, 'joined'])->name('matching.joined');
            Route::get('/publications/{publication}', [PublicationController::class, 'show'])->name(
                'publications.show',
            );
            Route::get('/screening', [ScreeningController::class, 'show'])->name('screening');
            Route::get('/screening/stages', [StageController::class, 'index'])->name('stages');
            Route::get('/screening/share-outs', [ShareOutController::class, 'index'])
                ->middleware('throttle:query')
                ->name('share-outs');
            Route::get('/screening/marked-words', [MarkListController::class, 'index'])->name('marks');
            Route::get('/screening/order', [ReadingOrderController::class, 'show'])->name('reading-order');
            Route::get('/screening/agreement', [ScreeningController::class, 'agreement'])->name('agreement');
            Route::get('/screening/disagreements', [DisagreementController::class, 'index'])->name('disagreements');
            Route::get('/screening/disagreements/{item}', [DisagreementController::class, 'index'])->name(
                'disagreements.show',
            );
            Route::get('/full-texts', [RetrievalController::class, 'index'])->name('full-texts');
            Route::get('/full-texts/unassigned', [FullTextController::class, 'unassigned'])->name(
                'full-texts.unassigned',
            );
            Route::get('/full-texts/files/{fullText}', [FullTextController::class, 'show'])
                ->middleware(WritesDownTakingOut::class)
                ->name('full-texts.file');
            Route::get('/full-texts/files/{fullText}/standing', [FullTextController::class, 'standing'])->name(
                'full-texts.standing',
            );
            Route::get('/full-texts/files/{fullText}/evidence', [FullTextController::class, 'evidence'])->name(
                'full-texts.evidence',
            );
            Route::get('/full-texts/studies', [StudyController::class, 'index'])->name('studies');
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
            Route::get('/coding/differences/numbers', [ResultDifferenceController::class, 'index'])
                ->name('reconcile.results');
            Route::get('/coding/{publication}/results', [ResultController::class, 'index'])->name('results');
            Route::get('/coding/{publication}/{code}', [CodingController::class, 'cell'])
                ->withoutScopedBindings()
                ->name('coding.cell');
            Route::get('/coding/{publication}', [CodingDeskController::class, 'show'])->name('coding.show');
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
            Route::get('/report', [ReportController::class, 'show'])->name('report');
            Route::post('/report/made', [MadeFileController::class, 'store'])->middleware('throttle:dear')->name('made.store');
            Route::get('/report/made/{file}', [MadeFileController::class, 'download'])
                ->middleware(['throttle:dear', WritesDownTakingOut::class])
                ->name('made.download');
            Route::get('/report/text', [ComposerController::class, 'show'])->middleware('throttle:query')->name('report.text');
            Route::post('/report/text/exchange', [ComposerController::class, 'exchange'])->name('report.exchange');
            Route::get('/report/text.{format}', [ComposerController::class, 'download'])
                ->whereIn('format', ['html', 'md'])
                ->middleware(['throttle:dear', WritesDownTakingOut::class])
                ->name('report.download');
            Route::get('/report/links', [ReadingLinkController::class, 'index'])->name('report.links');
            Route::get('/report/text/written', [ReportVersionController::class, 'written'])
                ->middleware('throttle:dear')
                ->name('report.written');
            Route::get('/report/work', [WorkDiagramController::class, 'show'])->name('report.work');
            Route::get('/report/work.{format}', [WorkDiagramController::class, 'download'])
                ->whereIn('format', array_keys(SvgPicture::TYPES))
                ->middleware('throttle:dear')
                ->name('report.work.download');
            Route::get('/interface', [TokenController::class, 'index'])->name('interface');
            Route::post('/interface/tokens', [TokenController::class, 'store'])
                ->middleware(['throttle:dear', ShowWhoAgain::class])
                ->name('tokens.store');
            Route::delete('/interface/tokens/{token}', [TokenController::class, 'destroy'])->name('tokens.destroy');
            Route::get('/ask', [AskController::class, 'index'])->name('ask');
            Route::post('/ask', [AskController::class, 'store'])->middleware('throttle:dear')->name('ask.store');
            Route::get('/ask/{question}', [AskController::class, 'show'])->name('ask.show');
            Route::delete('/ask/{question}', [AskController::class, 'forget'])->name('ask.forget');
            Route::post('/ask/{question}/claim', [AskController::class, 'claim'])->name('ask.claim');
            Route::get('/report/text/changes', [ReportVersionController::class, 'compare'])
                ->middleware('throttle:query')
                ->name('report.changes');
            Route::get('/report/text/standing', [ComposerController::class, 'standing'])
                ->middleware('throttle:query')
                ->name('report.standing');
            Route::get('/report/text/draft', [ComposerController::class, 'draft'])
                ->middleware('throttle:query')
                ->name('report.draft');
            Route::get('/report/text/evidence', [ComposerController::class, 'evidence'])
                ->middleware('throttle:query')
                ->name('report.evidence');
            Route::get('/report/flow.{format}', [ReportController::class, 'flow'])
                ->whereIn('format', ['svg', 'png', 'pdf', 'csv'])
                ->middleware('throttle:dear')
                ->name('report.flow');
            Route::get('/log', [LogController::class, 'show'])
                ->middleware('throttle:query')
                ->name('log');
            Route::get('/log/export.{format}', [LogController::class, 'export'])
                ->whereIn('format', ['csv', 'xlsx'])
                ->middleware(['throttle:dear', WritesDownTakingOut::class])
                ->name('log.export');
            Route::get('/exports/included/{format}', [ExportController::class, 'included'])
                ->middleware(['throttle:dear', WritesDownTakingOut::class])
                ->name('exports.included');
            Route::get('/exports/decisions.{format}', [ExportController::class, 'decisions'])
                ->whereIn('format', ['csv', 'xlsx'])
                ->middleware(['throttle:dear', WritesDownTakingOut::class])
                ->name('exports.decisions');
            Route::get('/exports/coding.{format}', [CodingController::class, 'export'])
                ->whereIn('format', ['csv', 'xlsx', 'docx'])
                ->middleware(['throttle:dear', WritesDownTakingOut::class])
                ->name('exports.coding');
        });

        Route::middleware('can:write,review')->group(function (): void {
            Route::post('/report/text', [ComposerController::class, 'begin'])->name('report.begin');
            Route::post('/report/text/blocks', [ComposerController::class, 'block'])
                ->middleware('throttle:query')
                ->name('report.blocks');
            Route::post('/report/text/remarks/{thread}', [ComposerController::class, 'remark'])
                ->where('thread', '[0-9a-z]{26}')
                ->name('report.remark');
            Route::put('/report/text/claims/{claim}', [ComposerController::class, 'claim'])
                ->where('claim', '[0-9a-z]{26}')
                ->name('report.claims');
            Route::put('/report/text/style', [ComposerController::class, 'style'])->name('report.style');
            Route::post('/report/text/versions', [ReportVersionController::class, 'store'])->name('report.versions');
        });

        Route::put('/closed', [ReviewController::class, 'close'])->can('close', 'review')->name('reviews.close');
        Route::post('/copies', [ReviewController::class, 'copy'])->can('close', 'review')->name('reviews.copy');

        Route::middleware('can:manage,review')->group(function (): void {
            Route::put('/report/work', [WorkDiagramController::class, 'word'])->name('report.work.word');
            Route::post('/report/versions-of-review', [ReportController::class, 'closeVersion'])->name('report.versions.close');
            Route::delete('/report/versions-of-review', [ReportController::class, 'takeBackVersion'])->name('report.versions.back');
            Route::post('/report/links', [ReadingLinkController::class, 'store'])
                ->middleware(ShowWhoAgain::class)
                ->name('report.links.store');
            Route::post('/report/comments/{readerComment}/seen-to', [ReadingLinkController::class, 'seenTo'])->name('report.comments.seen');
            Route::post('/report/links/{link}/revoke', [ReadingLinkController::class, 'revoke'])->name('report.links.revoke');
            Route::put('/report/flow', [ReportController::class, 'word'])->name('report.word');
            Route::put('/question', [QuestionController::class, 'update'])->name('question.update');
            Route::post('/screening/stages', [StageController::class, 'store'])->name('stages.store');
            Route::put('/screening/stages/{stage}', [StageController::class, 'update'])->name('stages.update');
            Route::post('/screening/stages/{stage}/close', [StageController::class, 'close'])->name('stages.close');
            Route::post('/screening/stages/{stage}/target', [StageController::class, 'target'])->name('stages.target');
            Route::post('/screening/stages/{stage}/carry', [StageController::class, 'carry'])->name('stages.carry');
            Route::delete('/screening/stages/{stage}', [StageController::class, 'destroy'])->name('stages.destroy');
            Route::post('/screening/stages/{stage}/order', [ReadingOrderController::class, 'order'])->name(
                'reading-order.set',
            );
            Route::post('/screening/stages/{stage}/checks', [ReadingOrderController::class, 'drawCheck'])->name(
                'reading-order.check',
            );
            Route::post('/screening/share-outs', [ShareOutController::class, 'store'])->name('share-outs.store');
            Route::post('/screening/share-outs/{shareOut}/withdraw', [ShareOutController::class, 'withdraw'])->name(
                'share-outs.withdraw',
            );
            Route::post('/screening/stages/{stage}/hand-on', [ShareOutController::class, 'handOn'])->name(
                'share-outs.hand-on',
            );
            Route::post('/criteria', [QuestionController::class, 'addCriterion'])->name('criteria.store');
            Route::put('/criteria/{criterion}', [QuestionController::class, 'changeCriterion'])->name(
                'criteria.update',
            );
            Route::get('/criteria/{criterion}/older', [QuestionController::class, 'older'])->name('criteria.older');
            Route::post('/criteria/{criterion}/again', [QuestionController::class, 'sendRound'])->name(
                'criteria.again',
            );
            Route::post('/team/invitations', [TeamController::class, 'invite'])
                ->middleware('throttle:invite')
                ->name('team.invite');
            Route::delete('/team/invitations/{invitation}', [TeamController::class, 'withdraw'])->name('team.withdraw');
            Route::put('/team/{membership}', [TeamController::class, 'change'])->name('team.change');
            Route::delete('/team/{membership}', [TeamController::class, 'remove'])->name('team.remove');
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
            Route::post('/synthesis/outcomes', [OutcomeController::class, 'store'])->name('outcomes.store');
            Route::put('/synthesis/outcomes/{outcome}', [OutcomeController::class, 'update'])->name('outcomes.update');
            Route::post('/synthesis/outcomes/{outcome}/retire', [OutcomeController::class, 'retire'])->name('outcomes.retire');
            Route::post('/synthesis/groups', [OutcomeController::class, 'arm'])->name('groups.store');
            Route::post('/synthesis/comparisons', [OutcomeController::class, 'compare'])->name('comparisons.store');
            Route::post('/synthesis/comparisons/{comparison}/retire', [OutcomeController::class, 'endComparison'])->name(
                'comparisons.retire',
            );
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
            Route::post('/scouting', [ScoutingController::class, 'ask'])->middleware('throttle:dear')->name('scouting.ask');
            Route::post('/scouting/{scouting}/recipes', [TableRecipeController::class, 'ofScouting'])->name('scouting.recipes');
            Route::delete('/scouting/recipes/{recipe}', [TableRecipeController::class, 'destroy'])->name(
                'scouting.recipes.destroy',
            );
            Route::post('/scouting/{scouting}/recipes/{recipe}', [TableRecipeController::class, 'scouting'])
                ->middleware(['throttle:dear', WritesDownTakingOut::class])
                ->withoutScopedBindings()
                ->name('scouting.recipes.export');
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
            Route::post('/scouting/{scouting}/delivery', [ScoutedExportController::class, 'deliver'])
                ->can('deliver', 'review')
                ->name('scouting.deliver');
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
        // after /searches/new, which the first would catch
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
            Route::post('/deliveries', [DeliveryController::class, 'store'])
                ->middleware('throttle:upload')
                ->name('deliveries.store');
            Route::post('/deliveries/{delivery}/columns', [DeliveryController::class, 'columns'])->name(
                'deliveries.columns',
            );
            Route::post('/deliveries/{delivery}/read', [DeliveryController::class, 'read'])->name('deliveries.read');
            Route::put('/deliveries/{delivery}/kind', [DeliveryController::class, 'kind'])->name('deliveries.kind');
            Route::post('/deliveries/{delivery}/withdraw', [DeliveryController::class, 'withdraw'])->name(
                'deliveries.withdraw',
            );
            Route::post('/deliveries/{delivery}/rejections/{rejection}', [DeliveryController::class, 'mend'])->name(
                'deliveries.mend',
            );
            Route::post('/deliveries/{delivery}/rejected', [DeliveryController::class, 'readAgain'])
                ->middleware('throttle:dear')
                ->name('deliveries.read-again');
            Route::post('/deliveries/{delivery}/go-on', [DeliveryController::class, 'goOn'])->name('deliveries.go-on');
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
            Route::post('/matching', [MatchingController::class, 'start'])->name('matching.start');
            Route::put('/matching/settings', [MatchingController::class, 'save'])->name('matching.settings');
            Route::post('/matching/join', [MatchingController::class, 'join'])->name('matching.join');
            Route::post('/matching/joins/{join}/undo', [MatchingController::class, 'undo'])->name('matching.undo');
            Route::post('/matching/{matching}/undo', [MatchingController::class, 'undoAll'])->name('matching.undo-all');
            Route::get('/pairing', [PairingController::class, 'show'])->name('pairing');
            Route::get('/pairing/ahead', [PairingController::class, 'ahead'])->name('pairing.ahead');
            Route::post('/pairing/rulings', [PairingController::class, 'rule'])->name('pairing.rule');
            Route::post('/pairing/undo', [PairingController::class, 'undo'])->name('pairing.undo');
            Route::post('/records/{record}/separate', [PublicationController::class, 'separate'])->name(
                'records.separate',
            );
            Route::post('/records/{record}/rejoin', [PublicationController::class, 'rejoin'])->name('records.rejoin');
        });

        Route::middleware('can:deliver,review')->group(function (): void {
            Route::post('/records/remove', [LibraryController::class, 'remove'])->name('library.remove');
            Route::post('/records/restore', [LibraryController::class, 'restore'])->name('library.restore');
        });
        Route::post('/records/tags', [LibraryController::class, 'tag'])
            ->can('tag', 'review')
            ->name('library.tag');

        Route::middleware('can:obtain,review')->group(function (): void {
            Route::get('/full-texts/retrievals', [RetrievalController::class, 'all'])->name('retrievals.all');
            Route::post('/full-texts/retrievals', [RetrievalController::class, 'set'])->name('retrievals.set');
            Route::post('/full-texts/locker', [RetrievalController::class, 'askLocker'])
                ->middleware('throttle:dear')
                ->name('retrievals.locker');
            Route::post('/full-texts/files', [FullTextController::class, 'store'])
                ->middleware('throttle:upload')
                ->name('full-texts.store');
            Route::post('/full-texts/shelf', [FullTextController::class, 'fromShelf'])
                ->middleware('throttle:dear')
                ->name('full-texts.shelf');
            Route::post('/full-texts/pictures', [FullTextController::class, 'allPictures'])->name('full-texts.pictures.all');
            Route::post('/full-texts/files/{fullText}/pictures', [FullTextController::class, 'pictures'])->name(
                'full-texts.pictures',
            );
            Route::post('/full-texts/files/{fullText}/better', [FullTextController::class, 'better'])->name(
                'full-texts.better',
            );
            Route::post('/full-texts/files/{fullText}/use-again', [FullTextController::class, 'useAgain'])->name(
                'full-texts.use-again',
            );
            Route::post('/full-texts/files/{fullText}/assign', [FullTextController::class, 'assign'])->name(
                'full-texts.assign',
            );
            Route::post('/full-texts/files/{fullText}/take-off', [FullTextController::class, 'takeOff'])->name(
                'full-texts.take-off',
            );
            Route::post('/full-texts/files/{fullText}/take-out', [FullTextController::class, 'takeOut'])->name(
                'full-texts.take-out',
            );
            Route::post('/full-texts/studies', [StudyController::class, 'link'])->name('studies.link');
            Route::put('/full-texts/studies/{study}', [StudyController::class, 'rename'])->name('studies.rename');
            Route::delete('/full-texts/reports/{publication}', [StudyController::class, 'takeOut'])->name(
                'studies.take-out',
            );
        });

        Route::middleware('can:screen,review')->group(function (): void {
            Route::post('/screening/marked-words', [MarkListController::class, 'store'])->name('marks.store');
            Route::put('/screening/marked-words/{markList}', [MarkListController::class, 'update'])->name(
                'marks.update',
            );
            Route::delete('/screening/marked-words/{markList}', [MarkListController::class, 'destroy'])->name(
                'marks.destroy',
            );
            Route::get('/screening/desk', [DeskController::class, 'show'])
                ->middleware('throttle:query')
                ->name('desk');
            Route::get('/screening/mine', [DeskController::class, 'mine'])->name('mine');
            Route::get('/screening/desk/ahead', [DeskController::class, 'ahead'])
                ->middleware('throttle:query')
                ->name('desk.ahead');
            Route::get('/screening/desk/{item}', [DeskController::class, 'show'])->name('desk.show');
            Route::get('/screening/items/{item}', [DeskController::class, 'item'])->name('desk.item');
            Route::get('/screening/items/{item}/why', [DeskController::class, 'why'])->name('desk.why');
            Route::post('/screening/items/{item}/tags', [DeskController::class, 'tag'])->name('desk.tag');
            Route::post('/screening/items/{item}/talk', [DeskController::class, 'talk'])->name('desk.talk');
            Route::post('/screening/items/{item}/decision', [DeskController::class, 'decide'])->name('desk.decide');
            Route::delete('/screening/items/{item}/decision', [DeskController::class, 'takeBack'])->name(
                'desk.take-back',
            );
            Route::post('/screening/disagreements/{item}/talk', [DisagreementController::class, 'talk'])->name(
                'talk.store',
            );
            Route::post('/screening/disagreements', [DisagreementController::class, 'together'])->name(
                'disagreements.together',
            );
            Route::post('/screening/disagreements/{item}/rethink', [DisagreementController::class, 'rethink'])->name(
                'disagreements.rethink',
            );
            Route::post('/screening/disagreements/{item}/proposal', [DisagreementController::class, 'propose'])->name(
                'disagreements.propose',
            );
        });

        Route::post('/screening/disagreements/{item}/settlement', [DisagreementController::class, 'settle'])
            ->can('screen', 'review')
            ->name('disagreements.settle');
        Route::middleware('can:code,review')->group(function (): void {
            Route::post('/coding/recipes', [TableRecipeController::class, 'ofCoding'])->name('coding.recipes');
            Route::delete('/coding/recipes/{recipe}', [TableRecipeController::class, 'destroy'])->name(
                'coding.recipes.destroy',
            );
            Route::post('/coding/recipes/{recipe}', [TableRecipeController::class, 'coding'])
                ->middleware(['throttle:dear', WritesDownTakingOut::class])
                ->name('coding.recipes.export');
        });
        Route::post('/coding/{publication}/carries', [StudyController::class, 'carry'])
            ->can('code', 'review')
            ->name('coding.carries');
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
        Route::post('/scouting/{scouting}/further/{further}/codebook', [ScoutedPaperController::class, 'intoCodebook'])
            ->can('code', 'review')
            ->withoutScopedBindings()
            ->name('scouting.further.codebook');
        Route::post('/coding/leads', [LeadController::class, 'start'])->can('code', 'review')->name('leads.start');
        Route::post('/coding/{publication}/{code}/lead', [LeadController::class, 'rule'])
            ->can('code', 'review')
            ->withoutScopedBindings()
            ->name('leads.rule');
        Route::post('/coding/{publication}/results/settlement', [ResultDifferenceController::class, 'settle'])
            ->can('code', 'review')
            ->name('reconcile.results.settle');
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
    });
