<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\ApprovalController;
use App\Http\Controllers\BackupController;
use App\Http\Controllers\BatchController;
use App\Http\Controllers\ChoiceController;
use App\Http\Controllers\ColourController;
use App\Http\Controllers\CompanyController;
use App\Http\Controllers\CopyController;
use App\Http\Controllers\CustomerController;
use App\Http\Controllers\DescriptionController;
use App\Http\Controllers\DoorController;
use App\Http\Controllers\EditController;
use App\Http\Controllers\FileController;
use App\Http\Controllers\FindingController;
use App\Http\Controllers\FontController;
use App\Http\Controllers\GuideController;
use App\Http\Controllers\HealthController;
use App\Http\Controllers\JobController;
use App\Http\Controllers\JobPictureController;
use App\Http\Controllers\LayoutController;
use App\Http\Controllers\LengthController;
use App\Http\Controllers\LetterController;
use App\Http\Controllers\LettersController;
use App\Http\Controllers\LookController;
use App\Http\Controllers\MakingController;
use App\Http\Controllers\PersonController;
use App\Http\Controllers\PieceController;
use App\Http\Controllers\PreparationController;
use App\Http\Controllers\PresetController;
use App\Http\Controllers\PreviewController;
use App\Http\Controllers\ProofController;
use App\Http\Controllers\ReferencePictureController;
use App\Http\Controllers\ReleaseController;
use App\Http\Controllers\SendingController;
use App\Http\Controllers\SettingController;
use App\Http\Controllers\SheetController;
use App\Http\Controllers\ShowingController;
use App\Http\Controllers\ShownController;
use App\Http\Controllers\StageController;
use App\Http\Controllers\StockController;
use App\Http\Controllers\TemplateController;
use App\Http\Controllers\TokenController;
use App\Http\Controllers\TrashController;
use App\Http\Controllers\VersionController;
use App\Http\Controllers\WholeJobController;
use App\Http\Controllers\WorkController;
use App\Models\Batch;
use App\Models\Customer;
use App\Models\JobTemplate;
use App\Models\Letter;
use App\Models\Person;
use App\Models\ReferencePicture;
use App\Models\ShopFont;
use App\Models\ShopJob;
use App\Models\ShopPreset;
use App\Models\ShopSetting;
use App\Models\StockItem;
use App\Models\Work;
use Illuminate\Support\Facades\Route;

// The HTTP interface, its first version. Every route has a name, by which its description calls it, and asks a policy; see EveryRouteTest.
Route::prefix('v1')->name('v1.')->middleware('throttle:asks')->group(static function (): void {
    // Open to all that may ask at all: what they say is no secret of the shop, and the way in.
    Route::get('token', [TokenController::class, 'show'])->name('token');
    Route::get('openapi.json', [DescriptionController::class, 'show'])->name('openapi');
    Route::controller(DoorController::class)->group(static function (): void {
        Route::get('me', 'me')->name('me');
        Route::post('sign-in', 'signIn')->name('sign-in')->middleware('throttle:doors');
        Route::post('sign-out', 'signOut')->name('sign-out');
        Route::post('password/forgot', 'forgot')->name('password.forgot')->middleware('throttle:doors');
        Route::post('password/choose', 'choose')->name('password.choose')->middleware('throttle:doors');
    });
    // What a customer was sent a link to.
    Route::controller(ShownController::class)->name('shown.')->middleware('throttle:shown')->group(static function (): void {
        Route::get('shown/{secret}', 'show')->name('show');
        Route::get('shown/{secret}/picture.png', 'picture')->name('picture');
        Route::post('shown/{secret}/answers', 'answer')->name('answer');
    });
});

Route::prefix('v1')->name('v1.')->middleware(['throttle:asks', 'signed-in', 'brought'])->group(static function (): void {
    // Of whoever is signed in.
    Route::controller(AccountController::class)->prefix('account')->name('account.')->group(static function (): void {
        Route::patch('', 'update')->name('update')->can('account', Person::class);
        Route::put('password', 'password')->name('password')->can('account', Person::class)->middleware('throttle:doors');
        Route::get('sign-ins', 'signIns')->name('sign-ins')->can('account', Person::class);
        Route::delete('sign-ins/{signIn}', 'end')->name('end')->can('delete', 'signIn');
        Route::get('tokens', 'tokens')->name('tokens')->can('account', Person::class);
        Route::post('tokens', 'give')->name('give')->can('account', Person::class);
        Route::delete('tokens/{token}', 'takeBack')->name('take-back')->whereNumber('token')->can('account', Person::class);
    });
    Route::controller(PersonController::class)->prefix('people')->name('people.')->group(static function (): void {
        Route::get('', 'index')->name('index')->can('viewAny', Person::class);
        Route::post('', 'store')->name('store')->can('create', Person::class);
        Route::patch('{person}', 'update')->name('update')->can('update', 'person');
        Route::post('{person}/link', 'link')->name('link')->can('update', 'person');
        Route::delete('{person}/sign-ins', 'signOut')->name('sign-out')->can('update', 'person');
    });
    Route::put('jobs/{job}/here', [CompanyController::class, 'here'])->name('here')->can('view', 'job');
    Route::delete('jobs/{job}/here', [CompanyController::class, 'gone'])->name('gone')->can('view', 'job');
    Route::get('choices', [ChoiceController::class, 'index'])->name('choices');
    Route::get('catalogue', [ChoiceController::class, 'catalogue'])->name('catalogue');
    Route::controller(GuideController::class)->name('guide.')->group(static function (): void {
        Route::get('guide', 'index')->name('index');
        Route::get('guide/{page}', 'show')->name('show')->where('page', '[a-z-]{1,40}');
        Route::get('guide/pictures/{picture}.png', 'picture')->name('picture')->where('picture', '[a-z-]{1,60}');
    });
    Route::controller(CustomerController::class)->name('customers.')->group(static function (): void {
        Route::get('customers', 'index')->name('index')->can('viewAny', Customer::class);
        Route::get('customers.csv', 'csv')->name('csv')->can('viewAny', Customer::class);
        Route::post('customers', 'store')->name('store')->can('create', Customer::class);
        Route::post('customers/import', 'import')->name('import')->can('create', Customer::class)->middleware('throttle:files');
        Route::get('customers/{customer}', 'show')->name('show')->can('view', 'customer')->whereNumber('customer');
        Route::patch('customers/{customer}', 'update')->name('update')->can('update', 'customer');
        Route::post('customers/{customer}/merge', 'merge')->name('merge')->can('update', 'customer');
        Route::get('customers/{customer}/data.json', 'data')->name('data')->can('delete', 'customer');
        Route::delete('customers/{customer}', 'destroy')->name('destroy')->can('delete', 'customer');
    });
    Route::get('today', [CustomerController::class, 'today'])->name('today')->can('viewAny', ShopJob::class);
    Route::get('counts', [HealthController::class, 'counts'])->name('counts')->can('viewAny', Work::class);
    Route::get('backups', [BackupController::class, 'index'])->name('backups.index')->can('viewAny', Person::class);
    Route::get('settings', [SettingController::class, 'index'])->name('settings.index')->can('viewAny', ShopSetting::class);
    Route::put('settings', [SettingController::class, 'update'])->name('settings.update')->can('create', ShopSetting::class);
    Route::controller(TemplateController::class)->name('templates.')->group(static function (): void {
        Route::get('templates', 'index')->name('index')->can('viewAny', JobTemplate::class);
        Route::post('jobs/{job}/template', 'store')->name('store')->can('create', JobTemplate::class);
        Route::post('templates/{template}/jobs', 'begin')->name('begin')->can('create', ShopJob::class);
        Route::delete('templates/{template}', 'destroy')->name('destroy')->can('delete', 'template');
    });
    Route::post('length', [LengthController::class, 'show'])->name('length');

    Route::controller(JobController::class)->name('jobs.')->group(static function (): void {
        Route::get('jobs', 'index')->name('index')->can('viewAny', ShopJob::class);
        Route::post('jobs', 'store')->name('store')->can('create', ShopJob::class)->middleware('throttle:files');
        Route::get('jobs/{job}', 'show')->name('show')->can('view', 'job');
        Route::patch('jobs/{job}', 'update')->name('update')->can('update', 'job');
        Route::post('jobs/{job}/copy', 'copy')->name('copy')->can('create', ShopJob::class);
        Route::post('jobs/{job}/archive', 'archive')->name('archive')->can('update', 'job');
        Route::post('jobs/{job}/unarchive', 'unarchive')->name('unarchive')->can('update', 'job');
        Route::delete('jobs/{job}', 'destroy')->name('destroy')->can('delete', 'job');
    });
    Route::post('bring', [LookController::class, 'bring'])->name('bring')->can('create', ShopJob::class)->middleware('throttle:files');
    Route::post('look', [LookController::class, 'show'])->name('look')->can('create', ShopJob::class)->middleware('throttle:files');
    Route::controller(TrashController::class)->name('trash.')->whereNumber('job')->group(static function (): void {
        Route::get('trash', 'index')->name('index')->can('viewAny', ShopJob::class);
        Route::post('trash/{job}/restore', 'restore')->name('restore')->can('create', ShopJob::class);
        Route::delete('trash/{job}', 'destroy')->name('destroy')->can('create', ShopJob::class);
    });

    // On the bench.
    Route::name('jobs.whole.')->controller(WholeJobController::class)->middleware('throttle:files')->group(static function (): void {
        Route::get('jobs/{job}/whole.zip', 'show')->name('show')->can('view', 'job');
        Route::post('jobs/whole', 'store')->name('store')->can('create', ShopJob::class);
    });
    Route::name('jobs.')->group(static function (): void {
        Route::get('jobs/{job}/source.svg', [JobPictureController::class, 'source'])->name('source')->can('view', 'job');
        Route::get('jobs/{job}/picture.svg', [JobPictureController::class, 'show'])->name('picture')->can('view', 'job');
        Route::patch('jobs/{job}/notices/{notice}', [FindingController::class, 'accept'])->name('notices.accept')->whereNumber('notice')->can('update', 'job');
        Route::patch('jobs/{job}/findings', [FindingController::class, 'judge'])->name('findings.judge')->can('update', 'job');
        Route::get('jobs/{job}/letters', [LettersController::class, 'show'])->name('letters.show')->can('view', 'job');
        Route::post('jobs/{job}/letters', [LettersController::class, 'store'])->name('letters.set')->can('update', 'job');
        Route::get('jobs/{job}/colours', [ColourController::class, 'show'])->name('colours')->can('view', 'job');
        Route::post('jobs/{job}/edits', [EditController::class, 'store'])->name('edits.store')->can('update', 'job');
        Route::post('jobs/{job}/undo', [EditController::class, 'undo'])->name('undo')->can('update', 'job');
        Route::post('jobs/{job}/redo', [EditController::class, 'redo'])->name('redo')->can('update', 'job');
        Route::get('jobs/{job}/acts', [EditController::class, 'acts'])->name('acts.index')->can('view', 'job');
        Route::post('jobs/{job}/act', [EditController::class, 'goTo'])->name('acts.go')->can('update', 'job');
        Route::post('jobs/{job}/previews', [PreviewController::class, 'store'])->name('previews.store')->can('view', 'job');
        Route::post('jobs/{job}/pieces', [PieceController::class, 'show'])->name('pieces.show')->can('view', 'job');
        Route::post('jobs/{job}/take', [PieceController::class, 'take'])->name('pieces.take')->can('view', 'job');
        Route::get('jobs/{job}/snaps', [PieceController::class, 'allSnaps'])->name('snaps.all')->can('view', 'job');
        Route::post('jobs/{job}/snaps', [PieceController::class, 'snaps'])->name('snaps.some')->can('view', 'job');
        Route::get('jobs/{job}/touch-up/{step}', [PieceController::class, 'touchUp'])->name('touch-up')->can('view', 'job');
        Route::post(
            'jobs/{job}/reference',
            [ReferencePictureController::class, 'store'],
        )->name('reference.store')->can('update', 'job')->middleware('throttle:files');
        Route::post('jobs/{job}/presets', [PresetController::class, 'store'])->name('presets.store')->can('create', ShopPreset::class);
        Route::post('jobs/{job}/preset', [PresetController::class, 'use'])->name('presets.use')->can('update', 'job');
    });
    Route::get(
        'reference/{file}',
        [ReferencePictureController::class, 'show'],
    )->name('reference.show')->where('file', '[0-9a-f]{32}')->can('viewAny', ReferencePicture::class);
    Route::controller(VersionController::class)->name('versions.')->scopeBindings()->group(static function (): void {
        Route::get('jobs/{job}/versions', 'index')->name('index')->can('view', 'job');
        Route::post('jobs/{job}/versions', 'store')->name('store')->can('update', 'job');
        Route::get('jobs/{job}/versions/{version}', 'show')->name('show')->can('view', 'version');
        Route::delete('jobs/{job}/versions/{version}', 'destroy')->name('destroy')->can('delete', 'version');
        Route::post('jobs/{job}/versions/{version}/back', 'back')->name('back')->can('update', 'job');
    });

    // Prepared.
    Route::post('jobs/{job}/preparations', [PreparationController::class, 'store'])->name('preparations.store')->can('update', 'job');
    Route::get('preparations/{preparation}', [PreparationController::class, 'show'])->name('preparations.show')->can('view', 'preparation');
    Route::controller(StageController::class)->name('stages.')->whereNumber('stage')->group(static function (): void {
        Route::get('preparations/{preparation}/stages/{stage}', 'show')->name('show')->can('view', 'preparation');
        Route::get('preparations/{preparation}/stages/{stage}/look', 'look')->name('look')->can('view', 'preparation');
        Route::get('preparations/{preparation}/stages/{stage}/found', 'found')->name('found')->can('view', 'preparation');
        Route::get('preparations/{preparation}/stages/{stage}/changes', 'changes')->name('changes')->can('view', 'preparation');
        Route::get('preparations/{preparation}/stages/{stage}/picture.svg', 'picture')->name('picture')->can('view', 'preparation');
        Route::get('preparations/{preparation}/stages/{stage}/small.webp', 'small')->name('small')->can('view', 'preparation');
    });
    Route::get('preparations/{preparation}/proof.{format}', [ProofController::class, 'show'])->name('proof')->whereAlpha('format')->can('view', 'preparation');
    Route::controller(SheetController::class)->name('sheets.')->whereNumber('number')->group(static function (): void {
        Route::get('preparations/{preparation}/sheets.zip', 'all')->name('all')->can('view', 'preparation');
        Route::get('preparations/{preparation}/sheets/{number}.svg', 'show')->name('show')->can('view', 'preparation');
        Route::get('preparations/{preparation}/sheets/{number}/picture.svg', 'picture')->name('picture')->can('view', 'preparation');
        Route::get('preparations/{preparation}/sheets/{number}/small.webp', 'small')->name('small')->can('view', 'preparation');
    });

    // Shown on things.
    Route::controller(ShowingController::class)->name('showing.')->group(static function (): void {
        Route::get('things', 'things')->name('things')->can('viewAny', ShopJob::class);
        Route::post('things/{thing}/job', 'open')->name('open')->can('create', ShopJob::class)->where('thing', '[a-z0-9-]{1,40}');
        Route::get('jobs/{job}/showing', 'show')->name('show')->can('view', 'job');
        Route::put('jobs/{job}/showing', 'update')->name('update')->can('update', 'job');
        Route::get('jobs/{job}/showing.{format}', 'file')->name('file')->whereAlpha('format')->can('view', 'job');
    });

    // What the shop has.
    Route::controller(FontController::class)->name('fonts.')->group(static function (): void {
        Route::get('fonts', 'index')->name('index')->can('viewAny', ShopFont::class);
        Route::post('fonts', 'store')->name('store')->can('create', ShopFont::class)->middleware('throttle:files');
        Route::delete('fonts/{font}', 'destroy')->name('destroy')->can('delete', 'font');
    });
    Route::controller(PresetController::class)->name('presets.')->group(static function (): void {
        Route::get('presets', 'index')->name('index')->can('viewAny', ShopPreset::class);
        Route::post('presets/import', 'import')->name('import')->can('create', ShopPreset::class);
        Route::get('presets/compare', 'compare')->name('compare')->can('viewAny', ShopPreset::class);
        Route::get('presets/{name}.json', 'export')->name('export')->can('viewAny', ShopPreset::class);
        Route::delete('presets/{name}', 'destroy')->name('destroy')->can('create', ShopPreset::class);
    });
    Route::get('colours', [ColourController::class, 'index'])->name('colours.index')->can('viewAny', StockItem::class);
    Route::put('colours', [ColourController::class, 'name'])->name('colours.name')->can('nameColours', StockItem::class);
    Route::controller(StockController::class)->name('stock.')->whereNumber('item')->group(static function (): void {
        Route::get('stock', 'index')->name('index')->can('viewAny', StockItem::class);
        // Of which kind, its request asks.
        Route::post('stock', 'store')->name('store')->can('viewAny', StockItem::class);
        Route::patch('stock/{item}', 'update')->name('update')->can('update', 'item');
        Route::delete('stock/{item}', 'destroy')->name('destroy')->can('delete', 'item');
    });
    Route::controller(BatchController::class)->name('batches.')->group(static function (): void {
        Route::get('batches', 'index')->name('index')->can('viewAny', Batch::class);
        Route::post('batches', 'store')->name('store')->can('create', Batch::class)->middleware('throttle:files');
        Route::get('batches/{batch}', 'show')->name('show')->can('view', 'batch');
        Route::post('batches/{batch}/again', 'again')->name('again')->can('update', 'batch');
        Route::post('batches/{batch}/open', 'open')->name('open')->can('create', ShopJob::class);
        Route::get('batches/{batch}/picture/{file}', 'picture')->name('picture')->can('view', 'batch');
        Route::get('batches/{batch}/all.zip', 'zip')->name('zip')->can('view', 'batch');
        Route::delete('batches/{batch}', 'destroy')->name('destroy')->can('delete', 'batch');
    });

    // Laid out, written, sent.
    Route::get('jobs/{job}/making', [MakingController::class, 'show'])->name('making.show')->can('view', 'job');
    Route::put('jobs/{job}/making', [MakingController::class, 'update'])->name('making.update')->can('produce', 'job');
    Route::put('jobs/{job}/files', [MakingController::class, 'files'])->name('making.files')->can('produce', 'job');
    Route::get(
        'jobs/{job}/layouts/{number}/picture.svg',
        [LayoutController::class, 'picture'],
    )->name('layouts.picture')->whereNumber('number')->can('view', 'job');
    Route::get('jobs/{job}/layouts/{number}/small.webp', [LayoutController::class, 'small'])->name('layouts.small')->whereNumber('number')->can('view', 'job');
    Route::get('jobs/{job}/layouts/{number}/moves', [LayoutController::class, 'moves'])->name('layouts.moves')->whereNumber('number')->can('view', 'job');
    Route::get('jobs/{job}/layouts/mix.svg', [LayoutController::class, 'mix'])->name('layouts.mix')->can('view', 'job');
    Route::get('jobs/{job}/copies', [CopyController::class, 'index'])->name('copies.index')->can('view', 'job');
    Route::post('jobs/{job}/copies', [CopyController::class, 'move'])->name('copies.move')->can('produce', 'job');
    Route::controller(FileController::class)->name('files.')->group(static function (): void {
        Route::get('jobs/{job}/files.zip', 'all')->name('all')->can('view', 'job');
        Route::get('jobs/{job}/files/{number}.{format}', 'show')->name('show')->whereNumber('number')->whereAlpha('format')->can('view', 'job');
        Route::get('jobs/{job}/job-sheet.pdf', 'jobSheet')->name('job-sheet')->can('view', 'job');
        Route::get('jobs/{job}/sizes.zip', 'size')->name('size')->can('view', 'job');
    });
    // What a customer is shown, and says.
    Route::get('jobs/{job}/approvals', [ApprovalController::class, 'index'])->name('approvals.index')->can('view', 'job');
    Route::post('jobs/{job}/approvals', [ApprovalController::class, 'store'])->name('approvals.store')->can('update', 'job')->middleware('throttle:files');
    Route::get('approvals/{approval}/picture.png', [ApprovalController::class, 'picture'])->name('approvals.picture')->can('view', 'approval');
    Route::delete('approvals/{approval}', [ApprovalController::class, 'destroy'])->name('approvals.destroy')->can('delete', 'approval');
    Route::patch('answers/{answer}', [ApprovalController::class, 'settle'])->name('answers.settle')->can('update', 'answer');
    Route::get('letters', [LetterController::class, 'index'])->name('letters.index')->can('viewAny', Letter::class);
    Route::get('jobs/{job}/releases', [ReleaseController::class, 'index'])->name('releases.index')->can('view', 'job');
    Route::post('jobs/{job}/releases', [ReleaseController::class, 'store'])->name('releases.store')->can('update', 'job');
    Route::get('jobs/{job}/sendings', [SendingController::class, 'index'])->name('sendings.index')->can('view', 'job');
    Route::post('jobs/{job}/sendings', [SendingController::class, 'store'])->name('sendings.store')->can('produce', 'job');
    Route::get('sendings/{sending}', [SendingController::class, 'show'])->name('sendings.show')->can('view', 'sending');
    Route::get('sendings/{sending}/done', [SendingController::class, 'done'])->name('sendings.done')->can('view', 'sending');

    Route::controller(WorkController::class)->name('works.')->whereNumber('work')->group(static function (): void {
        Route::get('works', 'index')->name('index')->can('viewAny', Work::class);
        // Which kinds somebody may ask for, the controller asks.
        Route::post('jobs/{job}/works', 'store')->name('store')->can('view', 'job');
        Route::get('works/{work}', 'show')->name('show')->can('view', 'work');
        Route::post('works/{work}/stop', 'stop')->name('stop')->can('update', 'work');
        Route::post('works/{work}/pause', 'pause')->name('pause')->can('update', 'work');
        Route::post('works/{work}/go', 'go')->name('go')->can('update', 'work');
    });
});
